package mailshelf.server.people;

import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Grant;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.RequestId;
import mailshelf.core.rights.Subject;
import mailshelf.core.rights.Verb;
import mailshelf.core.wording.Words;
import mailshelf.server.HouseSettings;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.http.Languages;
import mailshelf.server.notice.Notices;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import mailshelf.store.people.AccessRequest;
import mailshelf.store.people.FolderStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.people.RequestStore;
import org.springframework.stereotype.Component;

/**
 * Takes requests for rights from people who know of a report, and has those answer who manage its folder, or
 * administrators where nobody does.
 */
@Component
class AnswerRequests {
    private static final int LONGEST = 500;
    private static final int MOST_SHOWN = 200;
    private static final Set<Verb> ASKABLE = EnumSet.of(Verb.SEE, Verb.SUBSCRIBE_SELF);

    private final Gate gate;
    private final Database database;
    private final RequestStore requests;
    private final ReportStore reports;
    private final FolderStore folders;
    private final PersonStore people;
    private final Notices notices;
    private final HouseSettings settings;
    private final BusinessClock clock;
    private final AuditTrail audit;

    /** @param wants the right to see or to subscribe oneself */
    record RequestWish(Verb wants, String because) {}

    /** @param grant false declines it */
    record Reply(boolean grant, String reply) {}

    /**
     * A request as those see it who answer it.
     *
     * @param wants in words
     * @param gives what granting it would give, and where, in words
     */
    record RequestView(
            RequestId id,
            String report,
            String person,
            String wants,
            String gives,
            String because,
            Instant at,
            AccessRequest.State state,
            boolean mayAnswer,
            String answeredBy,
            String reply) {}

    AnswerRequests(
            Gate gate,
            Database database,
            RequestStore requests,
            ReportStore reports,
            FolderStore folders,
            PersonStore people,
            Notices notices,
            HouseSettings settings,
            BusinessClock clock,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.requests = requests;
        this.reports = reports;
        this.folders = folders;
        this.people = people;
        this.notices = notices;
        this.settings = settings;
        this.clock = clock;
        this.audit = audit;
    }

    RequestId ask(Person who, ReportId id, RequestWish wish) {
        if (!ASKABLE.contains(wish.wants())) {
            throw Problem.invalid("request.not-askable");
        }
        requireShort(wish.because());
        return database.inTransaction(tx -> {
            Report report = gate.known(tx, who, id);
            if (gate.access(tx, who).may(wish.wants(), report.folder())) {
                throw new Problem(Problem.Kind.CONFLICT, "request.not-needed", report.title());
            }
            if (requests.openOf(tx, who.id()).stream()
                    .anyMatch(open -> open.report().equals(id) && open.wants() == wish.wants())) {
                throw new Problem(Problem.Kind.CONFLICT, "request.asked-already", report.title());
            }
            String because = wish.because().strip();
            RequestId made = requests.insert(tx, id, who.id(), wish.wants(), because, clock.instant());
            audit.keep(tx, who, Act.ACCESS_ASKED, Thing.of(Thing.Kind.REPORT, id, report.title()), "", because);
            whoAnswers(tx, who, report.folder())
                    .forEach(person -> tellOfRequest(tx, person, who, report, wish.wants(), because));
            return made;
        });
    }

    /** Those who manage the folder; administrators where nobody else does. */
    private List<Person> whoAnswers(Tx tx, Person asker, FolderId folder) {
        Set<PersonId> managers = folders.rights(tx).granted(Verb.MANAGE, folder).stream()
                .flatMap(subject -> subject instanceof Subject.OfGroup group
                        ? people.members(tx, group.group()).stream()
                        : Stream.of(((Subject.OfPerson) subject).person()))
                .collect(Collectors.toSet());
        List<Person> others = people.find(tx, managers).values().stream()
                .filter(person -> person.active() && !person.id().equals(asker.id()))
                .toList();
        return others.isEmpty() ? people.administrators(tx) : others;
    }

    private void tellOfRequest(Tx tx, Person to, Person who, Report report, Verb wants, String because) {
        Words words = words(to);
        notices.tell(
                tx,
                to.id(),
                words.say("notice.request.subject", who.name(), report.title()),
                words.say(
                        "notice.request.body",
                        who.name(),
                        words.say("verb." + wants.name()),
                        report.title(),
                        because.isEmpty() ? words.say("notice.request.no-reason") : because,
                        settings.baseUrl() + "/house/requests"));
    }

    List<RequestView> all(Person who) {
        return database.inTransaction(tx -> {
            gate.requireGrantReader(tx, who);
            Set<FolderId> managed = gate.managed(tx, who);
            List<AccessRequest> shown =
                    gate.readsHouse(who) ? requests.newest(tx, MOST_SHOWN) : requests.newestIn(tx, managed, MOST_SHOWN);
            return shown.stream()
                    .map(request -> view(tx, who, managed, request))
                    .toList();
        });
    }

    private RequestView view(Tx tx, Person who, Set<FolderId> managed, AccessRequest request) {
        Words words = words(who);
        Report report = reports.find(tx, request.report()).orElseThrow();
        String wants = words.say("verb." + request.wants().name());
        String folder = folders.find(tx, report.folder()).orElseThrow().name();
        String person = name(tx, request.person());
        return new RequestView(
                request.id(),
                report.title(),
                person,
                wants,
                words.say("request.gives", person, wants, folder),
                request.because(),
                request.at(),
                request.state(),
                managed.contains(report.folder()),
                request.answeredBy().map(by -> name(tx, by)).orElse(""),
                request.reply());
    }

    private String name(Tx tx, PersonId person) {
        return people.find(tx, person).orElseThrow().name();
    }

    void answer(Person who, RequestId id, Reply reply) {
        requireShort(reply.reply());
        database.doInTransaction(tx -> {
            AccessRequest request = requests.find(tx, id).orElseThrow(Problem::notFound);
            Report report = reports.find(tx, request.report()).orElseThrow();
            gate.managed(tx, who, report.folder());
            AccessRequest.State state = reply.grant() ? AccessRequest.State.GRANTED : AccessRequest.State.DECLINED;
            if (!requests.answer(tx, id, state, who.id(), reply.reply().strip(), clock.instant())) {
                throw new Problem(Problem.Kind.CONFLICT, "request.answered-already");
            }
            if (reply.grant()) {
                grant(tx, who, request, report);
            } else {
                audit.keep(
                        tx,
                        who,
                        Act.REQUEST_DECLINED,
                        Thing.of(Thing.Kind.REPORT, report.id(), report.title()),
                        "",
                        name(tx, request.person()));
            }
            tellOfAnswer(tx, request, report, reply);
        });
    }

    /** What he was granted himself in the folder or above stays, and the wanted right comes to it. */
    private void grant(Tx tx, Person by, AccessRequest request, Report report) {
        Subject asker = new Subject.OfPerson(request.person());
        EnumSet<Verb> verbs = EnumSet.of(request.wants());
        Optional<Grant> before = folders.rights(tx).inForce(asker, report.folder());
        before.ifPresent(grant -> verbs.addAll(grant.verbs()));
        folders.put(tx, new Grant(asker, report.folder(), verbs));
        Thing folder = Thing.of(
                Thing.Kind.FOLDER,
                report.folder(),
                folders.find(tx, report.folder()).orElseThrow().name());
        String name = name(tx, request.person());
        audit.keep(
                tx,
                by,
                Act.GRANT_CHANGED,
                folder,
                GrantWords.said(name, before.map(Grant::verbs).orElse(Set.of())),
                GrantWords.said(name, verbs));
    }

    private void tellOfAnswer(Tx tx, AccessRequest request, Report report, Reply reply) {
        Person asker = people.find(tx, request.person()).orElseThrow();
        Words words = words(asker);
        String how = reply.grant() ? "granted" : "declined";
        notices.tell(
                tx,
                asker.id(),
                words.say("notice.request-" + how + ".subject", report.title()),
                words.say(
                        "notice.request-" + how + ".body",
                        words.say("verb." + request.wants().name()),
                        report.title(),
                        reply.reply().isBlank() ? "" : reply.reply().strip() + "\n\n",
                        settings.baseUrl() + "/reports/" + report.id().value()));
    }

    private static void requireShort(String text) {
        if (text.length() > LONGEST) {
            throw Problem.invalid("request.too-long", LONGEST);
        }
    }

    private static Words words(Person person) {
        return Words.in(Languages.supported(person.locale()));
    }
}
