package mailshelf.core.subscription;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import mailshelf.core.data.Filter;
import mailshelf.core.report.Cut;
import mailshelf.core.report.CutId;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.time.Period;
import mailshelf.core.time.Schedule;
import mailshelf.core.time.Window;

/**
 * All that a subscription says, as one version of it: what, cut how, to whom, as what, when, in which language.
 *
 * @param pages ids of the chosen pages, in the report's order
 * @param follows the cut whose period and filters it has, and takes anew when that changes; empty for its own
 * @param firstDayOfWeek by which its weeks are counted
 * @param seenAs whose rows it shows; in terms of before there were row rules, each recipient's
 * @param recipients in the order they were put on
 */
public record Terms(
        String name,
        ReportId report,
        List<String> pages,
        Optional<CutId> follows,
        Period period,
        DayOfWeek firstDayOfWeek,
        List<Filter> filters,
        SeenAs seenAs,
        List<PersonId> recipients,
        Output output,
        Schedule schedule,
        Locale locale) {
    public Terms {
        pages = List.copyOf(pages);
        follows = follows == null ? Optional.empty() : follows;
        filters = List.copyOf(filters);
        seenAs = seenAs == null ? SeenAs.RECIPIENT : seenAs;
        recipients = List.copyOf(recipients);
    }

    /** The parts that must still be filled in before it can start. */
    public List<Part> missing() {
        List<Part> missing = new ArrayList<>();
        if (pages.isEmpty()) {
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

    public Terms withRecipients(List<PersonId> others) {
        return changed(pages, follows, period, filters, others);
    }

    public Terms withPages(List<String> others) {
        return changed(others, follows, period, filters, recipients);
    }

    /** For the period and narrowed as a cut has it. */
    public Terms asIn(Cut cut) {
        return changed(pages, follows, cut.period(), cut.filters(), recipients);
    }

    /** With the period and the filters that it has now as its own. */
    public Terms withoutCut() {
        return changed(pages, Optional.empty(), period, filters, recipients);
    }

    private Terms changed(
            List<String> pages,
            Optional<CutId> follows,
            Period period,
            List<Filter> filters,
            List<PersonId> recipients) {
        return new Terms(
                name,
                report,
                pages,
                follows,
                period,
                firstDayOfWeek,
                filters,
                seenAs,
                recipients,
                output,
                schedule,
                locale);
    }

    /**
     * Whose rows it shows as it is done.
     *
     * @param ownerView whether the data set lets issues show all what their owner may see
     */
    public SeenAs seenAs(boolean ownerView) {
        return ownerView ? seenAs : SeenAs.RECIPIENT;
    }

    /** The day of sending, from which a moving period is counted. */
    public LocalDate sendDay(Instant at) {
        return at.atZone(schedule.zone()).toLocalDate();
    }

    public Window windowAt(Instant at) {
        return period.on(sendDay(at), firstDayOfWeek);
    }
}
