package mailshelf.core.subscription;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import mailshelf.core.data.Filter;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.time.Period;
import mailshelf.core.time.Schedule;
import mailshelf.core.time.Window;

/**
 * All that a subscription says, as one version of it: what, cut how, to whom, as what, when, in which language.
 *
 * @param pages ids of the chosen pages, in the report's order
 * @param firstDayOfWeek by which its weeks are counted
 * @param seenAs whose rows it shows; in terms of before there were row rules, each recipient's
 * @param recipients in the order they were put on
 */
public record Terms(
        String name,
        ReportId report,
        List<String> pages,
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
        return new Terms(
                name, report, pages, period, firstDayOfWeek, filters, seenAs, others, output, schedule, locale);
    }

    public Terms withPages(List<String> others) {
        return new Terms(
                name, report, others, period, firstDayOfWeek, filters, seenAs, recipients, output, schedule, locale);
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
