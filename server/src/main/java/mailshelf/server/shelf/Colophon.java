package mailshelf.server.shelf;

import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportId;
import mailshelf.core.subscription.Content;
import mailshelf.core.subscription.Sentence;
import mailshelf.core.subscription.Terms;
import mailshelf.core.wording.Dates;
import mailshelf.core.wording.Words;
import mailshelf.store.data.Load;
import mailshelf.store.delivery.Run;
import mailshelf.store.shelf.Issue;

/** What an issue says of itself, as a printed book does on its last page. */
final class Colophon {
    private final List<Fact> facts = new ArrayList<>();
    private final Words words;

    /** A line of it. */
    record Fact(String name, String value) {}

    /** What an issue was made from. */
    record MadeFrom(Run run, Terms terms, List<Source> sources) {}

    /**
     * A report in the version, with the load, that an issue was made from.
     *
     * @param hidesFilters whether its filters may name values that row rules hide from the reader
     */
    record Source(ReportId id, int version, Definition report, Load load, boolean hidesFilters) {}

    private Colophon(Words words) {
        this.words = words;
    }

    /**
     * @param before the issue that its checksum is chained to, as it stands on the shelf; empty where it is not there
     * @param accepted how many of its mails a server has taken
     * @param mails how many there are
     */
    static List<Fact> of(
            Issue issue, MadeFrom made, Optional<Issue> before, long accepted, int mails, Words words, ZoneId zone) {
        Colophon colophon = new Colophon(words);
        colophon.when(issue, words.dates(zone));
        if (issue.made()) {
            colophon.add("delivered", words.say("colophon.delivered.of", accepted, mails));
        }
        colophon.what(issue, made, words.dates(zone));
        colophon.proof(issue, before);
        return colophon.facts;
    }

    private void when(Issue issue, Dates dates) {
        add("number", issue.number().map(n -> words.say("issue.number", n)).orElseGet(() -> words.say("issue.trial")));
        add("due", dates.fullMoment(issue.dueAt()));
        add("made", dates.fullMoment(issue.madeAt()));
    }

    private void what(Issue issue, MadeFrom made, Dates dates) {
        add("period", dates.fullWindow(issue.window()));
        boolean several = made.terms().content().size() > 1;
        for (Content content : made.terms().content()) {
            Source source = made.sources().stream()
                    .filter(each -> each.id().equals(content.report()))
                    .findFirst()
                    .orElseThrow();
            String filters = source.hidesFilters() && !content.filters().isEmpty()
                    ? words.say("sentence.filtered")
                    : Sentence.filters(content.filters(), source.report(), words, Integer.MAX_VALUE);
            String data = words.say(
                    "colophon.load",
                    source.load().no(),
                    dates.moment(source.load().loadedAt()));
            if (several) {
                ZonedDateTime due = made.terms().inZone(issue.dueAt());
                String days = dates.fullWindow(content.on(due, made.terms().firstDayOfWeek()));
                facts.add(new Fact(
                        source.report().title(), String.join(" · ", days, filters, data, version(source.version()))));
            } else {
                add("filters", filters);
                add("data", data);
                add("report", version(source.version()));
            }
        }
        add("subscription", version(made.run().subscriptionVersion()));
    }

    private void proof(Issue issue, Optional<Issue> before) {
        String chained = issue.previousSha().isEmpty()
                ? words.say("colophon.chain-begins")
                : before.flatMap(Issue::number)
                        .map(number -> words.say("colophon.chained", number))
                        .orElseGet(() -> words.say("colophon.chain-broken"));
        add("checksum", spaced(issue.manifestSha()) + ", " + chained);
    }

    private String version(int number) {
        return words.say("colophon.version", number);
    }

    private void add(String key, String value) {
        facts.add(new Fact(words.say("colophon." + key), value));
    }

    private static String spaced(String sha) {
        return sha.substring(0, 4) + " " + sha.substring(4, 8) + " … " + sha.substring(60);
    }
}
