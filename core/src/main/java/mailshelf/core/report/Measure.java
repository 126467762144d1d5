package mailshelf.core.report;

/** A figure that a report defines. */
public record Measure(String id, String title, Calculation calculation, Format format) {
    /** Whether its values in several groups add up to that of all of them. */
    public boolean addsUp() {
        return calculation instanceof Calculation.Sum;
    }
}
