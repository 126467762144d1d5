package mailshelf.server.mail;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Optional;
import mailshelf.core.letter.Letter;
import mailshelf.core.letter.LetterFields;
import mailshelf.core.report.ClippingId;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.Content;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.core.time.FixedPeriod;
import mailshelf.core.time.Window;
import mailshelf.core.wording.Dates;
import mailshelf.core.wording.Words;
import mailshelf.server.HouseSettings;
import mailshelf.server.library.Filters;
import org.springframework.stereotype.Component;

/** Writes what a mail says about itself, for one recipient. */
@Component
public class LetterWriter {
    private final HouseSettings settings;
    private final LeaveLinks leaveLinks;

    /**
     * The issue that a letter is about.
     *
     * @param number empty for a trial
     * @param at the moment that moving periods are counted from
     * @param shelfUrl where it can be read
     * @param chainHead newest sealed checksum of its chain; "" where there is none yet
     * @param copy what its letter may repeat of the copy that it brings
     */
    public record About(
            SubscriptionId subscription,
            Terms terms,
            Person owner,
            Optional<Integer> number,
            Instant at,
            Instant madeAt,
            String shelfUrl,
            String chainHead,
            LetterFields.OfCopy copy) {}

    LetterWriter(HouseSettings settings, LeaveLinks leaveLinks) {
        this.settings = settings;
        this.leaveLinks = leaveLinks;
    }

    /** @param listedBy who put the recipient on the list */
    public Letter write(About about, Person to, Person listedBy, String messageId, Words words) {
        Terms terms = about.terms();
        String made = words.dates(terms.schedule().zone()).fullMoment(about.madeAt());
        boolean trial = about.number().isEmpty();
        String name = name(about, words);
        String issueLine = about.chainHead().isEmpty()
                ? words.say("letter.issue", name, terms.name(), made)
                : words.say(
                        "letter.issue-sealed",
                        name,
                        terms.name(),
                        made,
                        about.chainHead().substring(0, 16));
        LetterFields fields = fields(about, to, words);
        return new Letter(
                terms.letterPattern().subject(fields),
                terms.letterPattern().text(fields),
                words.say("letter.from", about.owner().name()),
                about.owner().address(),
                to.name(),
                to.address(),
                "subscription-" + about.subscription().value() + "."
                        + settings.mail().domain(),
                terms.name(),
                messageId,
                about.madeAt(),
                whyYou(about, to, listedBy, trial, words),
                issueLine,
                about.shelfUrl(),
                liveUrl(about, to),
                trial ? "" : leaveLinks.url(about.subscription(), to.id()),
                about.chainHead());
    }

    /** "No. 12"; of a trial, that it is one. */
    private static String name(About about, Words words) {
        return about.number().map(n -> words.say("issue.number", n)).orElseGet(() -> words.say("issue.trial"));
    }

    /** What the fields of its letter say. */
    public static LetterFields fields(About about, Person to, Words words) {
        Terms terms = about.terms();
        Dates dates = words.dates(terms.schedule().zone());
        return new LetterFields(
                terms.name(),
                name(about, words),
                dates.fullWindow(terms.windowAt(about.at())),
                dates.fullDay(terms.sendDay(about.at())),
                dates.time(terms.inZone(about.at()).toLocalTime()),
                to.name(),
                about.copy());
    }

    private static String whyYou(About about, Person to, Person listedBy, boolean trial, Words words) {
        if (trial) {
            return words.say("letter.why-trial");
        }
        if (about.terms().schedule().firesOnDemand() && !about.owner().id().equals(to.id())) {
            return words.say("letter.why-once", about.owner().name());
        }
        return listedBy.id().equals(to.id())
                ? words.say("letter.why-own")
                : words.say("letter.why-other", listedBy.name());
    }

    /**
     * Opens the copy's page, days and filters, whenever it is clicked; what stands on a page of the owner's own, for him, and
     * for others the report that its first block is of.
     */
    private String liveUrl(About about, Person to) {
        Terms terms = about.terms();
        Optional<ClippingId> own =
                terms.clipping().filter(id -> about.owner().id().equals(to.id()));
        if (own.isPresent()) {
            return settings.baseUrl() + "/clippings/" + own.get().value();
        }
        Content content = terms.content().get(0);
        Window window = content.on(terms.inZone(about.at()), terms.firstDayOfWeek());
        return settings.baseUrl() + "/reports/" + content.report().value() + "?page="
                + encode(content.pages().get(0)) + "&period="
                + encode(FixedPeriod.of(window.in(to.zone())).code())
                + Filters.query(content.filters());
    }

    private static String encode(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
