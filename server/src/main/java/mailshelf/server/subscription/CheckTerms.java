package mailshelf.server.subscription;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import mailshelf.core.Problem;
import mailshelf.core.condition.FreshData;
import mailshelf.core.letter.LetterPattern;
import mailshelf.core.report.Block;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportId;
import mailshelf.core.report.ReportQuestion;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.Content;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.Terms;
import mailshelf.core.wording.OneLine;
import mailshelf.server.library.Definitions;
import mailshelf.server.library.Filters;
import mailshelf.server.library.Periods;
import mailshelf.server.named.ResolveNamed;
import mailshelf.server.personal.OwnerView;
import mailshelf.server.rights.Gate;
import mailshelf.store.Tx;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import mailshelf.store.people.PersonStore;
import org.springframework.stereotype.Component;

/** Checks terms against rights and the report, and refuses what cannot be kept. */
@Component
class CheckTerms {
    private static final int MOST_RECIPIENTS = 10_000;

    private final Gate gate;
    private final Definitions definitions;
    private final ReportStore reports;
    private final PersonStore people;
    private final ResolveNamed named;
    private final OfferFields letters;
    private final OwnerView ownerView;

    CheckTerms(
            Gate gate,
            Definitions definitions,
            ReportStore reports,
            PersonStore people,
            ResolveNamed named,
            OfferFields letters,
            OwnerView ownerView) {
        this.gate = gate;
        this.definitions = definitions;
        this.reports = reports;
        this.people = people;
        this.named = named;
        this.letters = letters;
        this.ownerView = ownerView;
    }

    /**
     * Refuses what cannot be kept.
     *
     * @param owner whose subscription it is or becomes
     */
    void require(Tx tx, Person owner, Terms terms) {
        requireSound(tx, owner, terms);
        if (!terms.name().isBlank() && !OneLine.isName(terms.name())) {
            throw Problem.invalid("subscription.bad-name", OneLine.LONGEST_NAME);
        }
        requireAudience(tx, owner, terms);
    }

    /** Refuses what cannot be kept of terms that nothing is kept of yet. */
    void requireNew(Tx tx, Person owner, Terms terms) {
        require(tx, owner, terms);
        requireLetter(tx, owner, terms);
        requireSeenAs(tx, terms);
    }

    /** Refuses a letter with a field that there is not; one that is kept already may have lost one. */
    void requireLetter(Tx tx, Person owner, Terms terms) {
        letters.unknown(tx, owner, terms).stream().findFirst().ifPresent(field -> {
            throw Problem.invalid("letter.unknown-field", field);
        });
    }

    /** Refuses content that makes no sense, or that somebody may not read. */
    void requireSound(Tx tx, Person who, Terms terms) {
        if (terms.clipping().isPresent() && terms.content().isEmpty()) {
            throw Problem.invalid("subscription.no-content");
        }
        requireOneKind(terms);
        terms.reports().forEach(report -> requireReadable(tx, who, report));
        requireOffered(tx, terms);
        requirePeriods(tx, terms);
        requireFreshData(terms);
        if (!terms.letterPattern().canBeKept()) {
            throw Problem.invalid("letter.unsound", LetterPattern.LONGEST_SUBJECT, LetterPattern.LONGEST_TEXT);
        }
        terms.content().forEach(content -> named.requireUsable(tx, who, content.filters()));
    }

    private void requireReadable(Tx tx, Person who, ReportId id) {
        Optional<Report> removed = reports.find(tx, id).filter(Report::removed);
        if (removed.isPresent()
                && gate.access(tx, who).may(Verb.SEE, removed.get().folder())) {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "subscription.report-removed",
                    removed.get().title());
        }
        gate.readable(tx, who, id);
    }

    /** Refuses to keep terms that would not be kept to: where data forbid the owner's view, each sees their own rows. */
    void requireSeenAs(Tx tx, Terms terms) {
        if (terms.seenAs() == SeenAs.OWNER) {
            ownerView.forbiddenBy(tx, terms, published(tx, terms)).ifPresent(dataSet -> {
                throw Problem.invalid("subscription.no-owner-view", dataSet.name());
            });
        }
    }

    /** The reports of its content as they are published, in the order of the terms. */
    List<Definitions.Published> published(Tx tx, Terms terms) {
        return terms.reports().stream()
                .map(report -> definitions.newest(tx, report))
                .toList();
    }

    /** Refuses to send what leaves a question of a report open. */
    void requireAnswered(Tx tx, Terms terms) {
        unanswered(tx, terms).stream().findFirst().ifPresent(question -> {
            throw Problem.invalid("subscription.unanswered", question.ask(), terms.name());
        });
    }

    /** What its reports ask first, and its content leaves open. */
    List<ReportQuestion> unanswered(Tx tx, Terms terms) {
        return terms.content().stream()
                .flatMap(content ->
                        definitions.newest(tx, content.report()).definition().unanswered(content.filters()).stream())
                .distinct()
                .toList();
    }

    /** Either pages of one report, or blocks on a page of its own. */
    private static void requireOneKind(Terms terms) {
        boolean isOne = terms.standsOnOwnPage()
                ? terms.content().stream()
                        .allMatch(content ->
                                content.hasBlocks() && content.pages().size() == 1)
                : terms.content().size() == 1;
        if (!isOne) {
            throw Problem.invalid("subscription.mixed-content");
        }
    }

    /** Refuses pages, blocks and columns that the reports do not have. */
    private void requireOffered(Tx tx, Terms terms) {
        for (Content content : terms.content()) {
            Definition definition = definitions.newest(tx, content.report()).definition();
            Filters.requireOffered(content.filters(), definition);
            requireOffered(
                    "page", content.pages(), page -> definition.page(page).isPresent());
            List<String> blocks = content.pagesIn(definition).stream()
                    .flatMap(page -> page.blocks().stream())
                    .map(Block::id)
                    .toList();
            requireOffered("block", content.blocks(), blocks::contains);
        }
    }

    /** Refuses hours of figures that are of whole days. */
    private void requirePeriods(Tx tx, Terms terms) {
        terms.content()
                .forEach(content -> Periods.requireFits(content.period(), definitions.newest(tx, content.report())));
    }

    /** A load cannot come before what follows a load. */
    private static void requireFreshData(Terms terms) {
        if (!terms.asksOfData().makesSense()) {
            throw Problem.invalid("subscription.bad-wait", FreshData.MOST_HOURS);
        }
        if (terms.asksOfData().loadFirst() && terms.schedule().afterLoads().isPresent()) {
            throw Problem.invalid("subscription.load-before-load");
        }
    }

    private static void requireOffered(String what, List<String> chosen, Predicate<String> isThere) {
        if (new HashSet<>(chosen).size() != chosen.size()) {
            throw Problem.invalid("subscription." + what + "-twice");
        }
        chosen.stream().filter(isThere.negate()).findFirst().ifPresent(id -> {
            throw Problem.invalid("subscription.no-such-" + what, id);
        });
    }

    private void requireAudience(Tx tx, Person owner, Terms terms) {
        List<PersonId> recipients = terms.recipients();
        if (recipients.size() > MOST_RECIPIENTS) {
            throw Problem.invalid("subscription.too-many-recipients", recipients.size(), MOST_RECIPIENTS);
        }
        Gate.Access access = gate.access(tx, owner);
        boolean others = recipients.stream().anyMatch(id -> !id.equals(owner.id()));
        if (others && !gate.may(tx, access, Verb.SUBSCRIBE_TEAMMATES, terms.reports())) {
            throw new Problem(Problem.Kind.FORBIDDEN, "subscription.no-teammates");
        }
        if (!gate.may(tx, access, Verb.SUBSCRIBE_SELF, terms.reports())) {
            throw new Problem(Problem.Kind.FORBIDDEN, "subscription.no-subscribing");
        }
        Map<PersonId, Person> found = people.find(tx, recipients);
        if (!recipients.stream()
                .allMatch(id -> found.containsKey(id) && found.get(id).active())) {
            throw Problem.invalid("subscription.unknown-recipient");
        }
    }
}
