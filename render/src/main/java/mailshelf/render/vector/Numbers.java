package mailshelf.render.vector;

/** Writes coordinates short and quickly: at most two decimals, never an exponent. */
public final class Numbers {
    private Numbers() {}

    public static StringBuilder append(StringBuilder into, double value) {
        long hundredths = Math.round(value * 100);
        if (hundredths < 0) {
            into.append('-');
            hundredths = -hundredths;
        }
        into.append(hundredths / 100);
        int rest = (int) (hundredths % 100);
        if (rest != 0) {
            into.append('.').append((char) ('0' + rest / 10));
            if (rest % 10 != 0) {
                into.append((char) ('0' + rest % 10));
            }
        }
        return into;
    }
}
