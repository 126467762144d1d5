package mailshelf.core.subscription;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import mailshelf.core.condition.FreshData;
import mailshelf.core.data.Allowed;
import mailshelf.core.data.Filter;
import mailshelf.core.letter.LetterPattern;
import mailshelf.core.named.References;
import mailshelf.core.report.ClippingId;
import mailshelf.core.report.Cut;
import mailshelf.core.report.CutId;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.time.FixedPeriod;
import mailshelf.core.time.Period;
import mailshelf.core.time.Schedule;
import mailshelf.core.time.Window;

/**
 * All that a subscription says, as one version of it: what, cut how, to whom, as what, when, in which language.
 *
 * @param content pages of one report, or blocks of several that stand on one page of its own
 * @param clipping the clipping whose blocks it has, and takes anew when that changes; empty for its own
 * @param firstDayOfWeek by which its weeks are counted
 * @param seenAs whose rows it shows; in terms of before there were row rules, each recipient's
 * @param recipients in the order they were put on
 * @param freshData what is asked of its data first; empty where they are sent as they are
 * @param letter the subject and text of its mails; empty for the usual ones
 */
public record Terms(
        String name,
        List<Content> content,
        Optional<ClippingId> clipping,
        DayOfWeek firstDayOfWeek,
        SeenAs seenAs,
        List<PersonId> recipients,
        Output output,
        Schedule schedule,
        Optional<FreshData> freshData,
        Optional<LetterPattern> letter,
        Locale locale) {
    public Terms {
        content = List.copyOf(content);
        clipping = clipping == null ? Optional.empty() : clipping;
        seenAs = seenAs == null ? SeenAs.RECIPIENT : seenAs;
        recipients = List.copyOf(recipients);
        freshData =
                freshData == null ? Optional.empty() : freshData.filter(asked -> !asked.equals(FreshData.AS_THEY_ARE));
        letter = letter == null ? Optional.empty() : letter.filter(own -> !own.equals(LetterPattern.USUAL));
    }

    /** The parts that must still be filled in before it can start. */
    public List<Part> missing() {
        List<Part> missing = new ArrayList<>();
        if (content.isEmpty() || content.stream().anyMatch(each -> each.pages().isEmpty())) {
            missing.add(Part.WHAT);
        }
        if (recipients.isEmpty()) {
            missing.add(Part.TO_WHOM);
        }
        if (name.isBlank()) {
            missing.add(Part.NAME);
        }
        return missing;
    }

    /** Whether its content is blocks on a page of its own, rather than pages as a report has them. */
    public boolean standsOnOwnPage() {
        return clipping.isPresent() || content.stream().anyMatch(Content::hasBlocks);
    }

    /** What is asked of its data. */
    public FreshData asksOfData() {
        return freshData.orElse(FreshData.AS_THEY_ARE);
    }

    /** What its mails say before their figures. */
    public LetterPattern letterPattern() {
        return letter.orElse(LetterPattern.USUAL);
    }

    /** The reports that it takes from, each once. */
    public List<ReportId> reports() {
        return content.stream().map(Content::report).distinct().toList();
    }

    public List<Content> of(ReportId report) {
        return content.stream().filter(each -> each.report().equals(report)).toList();
    }

    public Terms withRecipients(List<PersonId> others) {
        return new Terms(
                name, content, clipping, firstDayOfWeek, seenAs, others, output, schedule, freshData, letter, locale);
    }

    /** What follows a cut, for the period and narrowed as that has it. */
    public Terms asIn(CutId id, Cut cut) {
        return following(id, each -> each.asIn(cut));
    }

    /** What follows a cut, with the period and the filters that it has now as its own. */
    public Terms without(CutId cut) {
        return following(cut, Content::withoutCut);
    }

    private Terms following(CutId cut, UnaryOperator<Content> change) {
        return withContent(
                content.stream()
                        .map(each -> each.follows().filter(cut::equals).isPresent() ? change.apply(each) : each)
                        .toList(),
                clipping);
    }

    /** With the content that it has now as its own, whatever it followed. */
    public Terms onItsOwn() {
        return withContent(content.stream().map(Content::withoutCut).toList(), Optional.empty());
    }

    /** The names of the values that its filters go by, and that its letter puts in. */
    public Set<String> namedValues() {
        Set<String> names = new TreeSet<>(letterPattern().namedValues());
        names.addAll(References.in(
                content.stream().flatMap(each -> each.filters().stream()).toList()));
        return names;
    }

    /** With the filters of its content changed. */
    public Terms narrowed(Function<Content, List<Filter>> filters) {
        return withContent(
                content.stream().map(each -> each.with(filters.apply(each))).toList(), clipping);
    }

    /**
     * With filters that name no values which row rules hide; the same rows pass them.
     *
     * @param rules what they let somebody see of the data of some content
     */
    public Terms knownBy(Function<Content, List<Allowed>> rules) {
        return narrowed(content -> content.filters().stream()
                .flatMap(filter -> filter.knownBy(rules.apply(content)).stream())
                .toList());
    }

    /** With the blocks of a clipping. */
    public Terms asIn(ClippingId id, List<Content> blocks) {
        return withContent(blocks, Optional.of(id));
    }

    /** What is left of it when a report is defined anew. */
    public Terms leftIn(ReportId report, Definition definition) {
        return withContent(
                content.stream()
                        .flatMap(each -> each.report().equals(report)
                                ? each.leftIn(definition).stream()
                                : List.of(each).stream())
                        .toList(),
                clipping);
    }

    /** Without what its reports have no more: what an owner goes on from who puts it right. */
    public Terms fitted(Function<ReportId, Definition> reports) {
        return withContent(
                content.stream()
                        .map(each -> each.fitted(reports.apply(each.report())))
                        .filter(each -> !standsOnOwnPage() || each.hasBlocks())
                        .toList(),
                clipping);
    }

    private Terms withContent(List<Content> others, Optional<ClippingId> clipping) {
        return new Terms(
                name,
                others,
                clipping,
                firstDayOfWeek,
                seenAs,
                recipients,
                output,
                schedule,
                freshData,
                letter,
                locale);
    }

    /**
     * Whose rows it shows as it is done.
     *
     * @param ownerView whether the data let issues show all what their owner may see
     */
    public SeenAs seenAs(boolean ownerView) {
        return ownerView ? seenAs : SeenAs.RECIPIENT;
    }

    /** The day of sending. */
    public LocalDate sendDay(Instant at) {
        return inZone(at).toLocalDate();
    }

    /** When it is sent by its own clocks, from which a moving period is counted. */
    public ZonedDateTime inZone(Instant at) {
        return at.atZone(schedule.zone());
    }

    /** Whether something of it shows what is new since the last issue. */
    public boolean goOnFromLastIssue() {
        return content.stream().anyMatch(Content::goesOn);
    }

    /**
     * With what is new since the last issue beginning on a day.
     *
     * @param from empty where there was no issue before
     */
    public Terms continuing(Optional<LocalDate> from) {
        return from.map(day -> withContent(
                        content.stream().map(each -> each.continuing(day)).toList(), clipping))
                .orElse(this);
    }

    /**
     * From which day on there is something new, after an issue.
     *
     * @param shown by that issue
     * @param due when it fell due: later days than that of its send it could not show
     */
    public LocalDate firstNewDay(Window shown, Instant due) {
        LocalDate next = shown.toInclusive().plusDays(1);
        LocalDate sent = sendDay(due);
        return next.isAfter(sent) ? sent : next;
    }

    /** All days that it shows, from the first to the last. */
    public Window windowAt(Instant at) {
        ZonedDateTime now = inZone(at);
        return content.stream()
                .map(each -> each.on(now, firstDayOfWeek))
                .reduce(Window::andUpTo)
                .orElse(new Window(now.toLocalDate(), now.toLocalDate()));
    }

    /** The period of all its content; the days themselves where that has several. */
    public Period periodAt(Instant at) {
        List<Period> periods = content.stream().map(Content::period).distinct().toList();
        return periods.size() == 1 ? periods.get(0) : FixedPeriod.of(windowAt(at));
    }
}
