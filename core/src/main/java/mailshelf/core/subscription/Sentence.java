package mailshelf.core.subscription;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.ZoneId;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.condition.FreshData;
import mailshelf.core.data.Filter;
import mailshelf.core.letter.LetterPattern;
import mailshelf.core.report.Definition;
import mailshelf.core.report.FilterWords;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.time.FixedPeriod;
import mailshelf.core.time.Recurrence;
import mailshelf.core.time.Window;
import mailshelf.core.wording.PeriodWords;
import mailshelf.core.wording.Words;

/** The plain sentence that a subscription reads as, everywhere: a list of phrases, of which some can be changed. */
public final class Sentence {
    private static final int MOST_NAMES = 3;
    private static final int MOST_VALUES = 4;

    private final Terms terms;
    private final Facts facts;
    private final Words words;
    private final int most;

    /**
     * Words between the parts and the parts themselves, in reading order.
     *
     * @param part empty for the words between
     * @param missing still to be filled in
     */
    public record Phrase(Optional<Part> part, String text, boolean missing) {}

    /**
     * What the sentence names that terms know by id alone.
     *
     * @param reports that its content is of
     * @param cut the name of the cut that it follows; "" for none
     * @param clipping the name of the clipping that it follows; "" for none
     * @param ruled the columns of its data that row rules limit, as its reports call them; where there are none, all see the
     *     same
     * @param seenAs as it is done, which may be stricter than the terms
     * @param owner whose subscription it is or becomes, by name
     * @param reader for "me"; empty when it reads the same for everybody
     * @param whole whether the reader may know who else gets it, and values that row rules may hide from the reader
     */
    public record Facts(
            Map<ReportId, Definition> reports,
            String cut,
            String clipping,
            List<String> ruled,
            SeenAs seenAs,
            PersonId owner,
            Map<PersonId, String> names,
            Optional<PersonId> reader,
            boolean whole) {
        public Facts {
            reports = Map.copyOf(reports);
            ruled = List.copyOf(ruled);
            names = Map.copyOf(names);
        }
    }

    private Sentence(Terms terms, Facts facts, Words words, int most) {
        this.terms = terms;
        this.facts = facts;
        this.words = words;
        this.most = most;
    }

    /** With long lists shortened. */
    public static List<Phrase> of(Terms terms, Facts facts, Words words) {
        return new Sentence(terms, facts, words, MOST_NAMES).phrases();
    }

    /** As text, shortened. */
    public static String text(Terms terms, Facts facts, Words words) {
        return join(of(terms, facts, words));
    }

    /** Whole. */
    public static List<Phrase> whole(Terms terms, Facts facts, Words words) {
        return new Sentence(terms, facts, words, Integer.MAX_VALUE).phrases();
    }

    /** As text, whole. */
    public static String fullText(Terms terms, Facts facts, Words words) {
        return join(whole(terms, facts, words));
    }

    private static String join(List<Phrase> phrases) {
        return phrases.stream().map(Phrase::text).collect(Collectors.joining());
    }

    private List<Phrase> phrases() {
        List<Phrase> phrases = new ArrayList<>();
        List<Part> missing = terms.missing();
        part(phrases, Part.WHEN, when(), missing);
        between(phrases, ", ");
        if (terms.standsOnOwnPage()) {
            part(phrases, Part.WHAT, ownPage(), missing);
        } else {
            ofReport(phrases, missing);
        }
        if (!facts.ruled().isEmpty()) {
            between(phrases, ", ");
            part(phrases, Part.SEEN_AS, seenAs(), missing);
        }
        between(phrases, ", ");
        part(phrases, Part.AS_WHAT, asWhat(), missing);
        terms.letter().ifPresent(own -> {
            between(phrases, " ");
            part(phrases, Part.LETTER, letter(own), missing);
        });
        between(phrases, words.say("sentence.to"));
        part(phrases, Part.TO_WHOM, toWhom(), missing);
        between(phrases, ", ");
        part(phrases, Part.UNLESS, unless(), missing);
        between(phrases, ".");
        return phrases;
    }

    private void ofReport(List<Phrase> phrases, List<Part> missing) {
        Content content = terms.content().get(0);
        Definition report = facts.reports().get(content.report());
        part(phrases, Part.WHAT, pages(content, report), missing);
        between(phrases, words.say("sentence.for"));
        part(phrases, Part.PERIOD, period(content, terms, words), missing);
        between(phrases, ", ");
        int mostValues = most == Integer.MAX_VALUE ? most : MOST_VALUES;
        boolean isHidden =
                !facts.whole() && !facts.ruled().isEmpty() && !content.filters().isEmpty();
        String filters =
                isHidden ? words.say("sentence.filtered") : filters(content.filters(), report, words, mostValues);
        part(phrases, Part.FILTER, filters, missing);
        if (facts.whole() && !facts.cut().isEmpty()) {
            between(phrases, ", ");
            part(phrases, Part.CUT, words.say("sentence.cut", facts.cut()), missing);
        }
    }

    private void between(List<Phrase> phrases, String text) {
        phrases.add(new Phrase(Optional.empty(), text, false));
    }

    private void part(List<Phrase> phrases, Part part, String text, List<Part> missing) {
        phrases.add(new Phrase(Optional.of(part), text, missing.contains(part)));
    }

    private String when() {
        String fires = fires();
        return terms.asksOfData().loadFirst() ? words.say("sentence.load-first", fires) : fires;
    }

    private String fires() {
        if (terms.schedule().firesOnDemand()) {
            return words.say("sentence.on-demand");
        }
        Optional<Duration> afterLoads = terms.schedule().afterLoads();
        if (afterLoads.isPresent()) {
            Duration span = afterLoads.get();
            return span.isZero()
                    ? words.say("sentence.after-load")
                    : words.say("sentence.after-load-apart", words.span(span));
        }
        String time = words.dates(ZoneId.of("UTC")).time(terms.schedule().at());
        return words.say("sentence.when", days(), time, terms.schedule().zone().getId());
    }

    private String days() {
        Recurrence recurrence = terms.schedule().recurrence();
        if (recurrence instanceof Recurrence.Weekly weekly) {
            return weekdays(weekly);
        }
        if (recurrence instanceof Recurrence.Monthly monthly) {
            String key = monthly.dayOfMonth() > 28 ? "sentence.monthly-or-last" : "sentence.monthly";
            return words.say(key, words.say("ordinal", monthly.dayOfMonth(), ordinalEnding(monthly.dayOfMonth())));
        }
        return words.say("sentence.daily");
    }

    private String weekdays(Recurrence.Weekly weekly) {
        if (weekly.days().size() == DayOfWeek.values().length) {
            return words.say("sentence.daily");
        }
        List<String> names = new TreeSet<>(weekly.days())
                .stream()
                        .map(day -> day.getDisplayName(TextStyle.FULL_STANDALONE, words.locale()))
                        .toList();
        return words.say("sentence.weekly", words.list(names));
    }

    private String ordinalEnding(int number) {
        boolean teen = number / 10 == 1;
        String key = "ordinal." + (teen ? 0 : number % 10);
        return words.say(words.has(key) ? key : "ordinal.0");
    }

    private String pages(Content content, Definition report) {
        int chosen = content.pages().size();
        int all = report.pages().size();
        String title = report.title();
        if (chosen == 0) {
            return words.say("sentence.no-pages", title);
        }
        if (chosen == 1 && all > 1) {
            String page = report.page(content.pages().get(0))
                    .map(Definition.Page::title)
                    .orElse("?");
            return words.say("sentence.one-page", page, title);
        }
        return words.say(chosen == all ? "sentence.all-pages" : "sentence.some-pages", chosen, title);
    }

    /** "“Morning look”, 4 blocks of 3 reports, each for days of its own". */
    private String ownPage() {
        long blocks =
                terms.content().stream().mapToLong(each -> each.blocks().size()).sum();
        List<String> titles = terms.reports().stream()
                .map(facts.reports()::get)
                .map(Definition::title)
                .toList();
        String what = titles.isEmpty()
                ? words.say("sentence.no-blocks")
                : words.say("sentence.blocks", blocks, words.shortList(titles, most));
        return facts.clipping().isEmpty() ? what : words.say("sentence.clipping", facts.clipping(), what);
    }

    private static String period(Content content, Terms terms, Words words) {
        return PeriodWords.of(content.period(), words)
                .orElseGet(() -> days((FixedPeriod) content.period(), terms, words));
    }

    /** Its period and its filters: "last week, every route". */
    public static String shows(Content content, Terms terms, Definition report, Words words) {
        return period(content, terms, words) + ", " + filters(content.filters(), report, words, Integer.MAX_VALUE);
    }

    private static String days(FixedPeriod period, Terms terms, Words words) {
        ZoneId zone = terms.schedule().zone();
        return words.dates(zone).fullWindow(Window.between(period.from(), period.before(), zone));
    }

    /**
     * "only route 1 Ness–Hovden"; without any, what is not narrowed.
     *
     * @param mostValues how many values of a column are named
     */
    public static String filters(List<Filter> filters, Definition report, Words words, int mostValues) {
        if (filters.isEmpty()) {
            return noFilters(report, words);
        }
        return words.list(filters.stream()
                .map(report::named)
                .map(filter -> filterWords(filter, words, mostValues))
                .toList());
    }

    private static String filterWords(Filter named, Words words, int mostValues) {
        boolean answer = named.test() == Filter.Test.ANSWER;
        String column = answer ? named.column() : words.inSentence(named.column());
        String said = new FilterWords(words, mostValues).of(new Filter(column, named.test(), named.values()));
        return named.test() == Filter.Test.ANY_OF ? words.say("sentence.filter", column, said) : said;
    }

    /** "every route, vessel and cause": said, so that nobody sends everything unawares. */
    private static String noFilters(Definition report, Words words) {
        List<String> columns = report.filters().stream()
                .map(column -> words.inSentence(report.columnTitle(column)))
                .toList();
        return columns.isEmpty() ? words.say("sentence.everything") : words.say("sentence.every", words.list(columns));
    }

    private String seenAs() {
        if (facts.seenAs() == SeenAs.OWNER) {
            boolean mine = facts.reader().filter(facts.owner()::equals).isPresent();
            return mine ? words.say("sentence.seen-as.me") : words.say("sentence.seen-as.owner", name(facts.owner()));
        }
        List<String> columns = facts.ruled().stream().map(words::inSentence).toList();
        return words.say("sentence.seen-as.recipient", words.list(columns));
    }

    private String asWhat() {
        String page = words.say(terms.standsOnOwnPage() ? "sentence.own-page" : "sentence.first-page");
        String kinds = (terms.output().pdf() ? "pdf" : "mail") + (terms.output().picture() ? "-picture" : "");
        return words.say("sentence.output." + kinds, page);
    }

    /** "under a subject and after words of its own"; whole, what these are. */
    private String letter(LetterPattern own) {
        if (most == Integer.MAX_VALUE) {
            String lines = String.join(" / ", own.text().lines().toList());
            return Stream.of(
                            own.hasOwnSubject() ? words.say("sentence.letter.subject", own.subject()) : "",
                            own.hasText() ? words.say("sentence.letter.text", lines) : "")
                    .filter(said -> !said.isEmpty())
                    .collect(Collectors.joining(" "));
        }
        String which = own.hasOwnSubject() && own.hasText() ? "both" : own.hasText() ? "own-text" : "own-subject";
        return words.say("sentence.letter." + which);
    }

    private String unless() {
        FreshData asked = terms.asksOfData();
        String key = "sentence.unless." + asked.ifStale();
        return words.say(asked.waitHours() > 0 ? key + ".waiting" : key, asked.waitHours());
    }

    private String toWhom() {
        if (terms.recipients().isEmpty()) {
            return words.say("sentence.nobody");
        }
        if (!facts.whole()) {
            boolean isListed =
                    facts.reader().filter(terms.recipients()::contains).isPresent();
            int others = terms.recipients().size() - (isListed ? 1 : 0);
            return words.say(isListed ? "sentence.me-and-others" : "sentence.people", others);
        }
        return words.shortList(terms.recipients().stream().map(this::name).toList(), most);
    }

    private String name(PersonId person) {
        return facts.reader().filter(person::equals).isPresent()
                ? words.say("sentence.me")
                : facts.names().getOrDefault(person, "?");
    }
}
