package mailshelf.server.rights;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import mailshelf.core.Problem;
import mailshelf.core.data.DataSetId;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.Trigger;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Folder;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Rights;
import mailshelf.core.rights.Role;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.delivery.Run;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import mailshelf.store.people.FolderStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.shelf.Issue;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/**
 * The one gate: whatever is read, sent or changed is asked for here, in the transaction that uses it. What one may not
 * see is answered like what does not exist, so that a refusal tells nothing.
 */
@Component
public class Gate {
    private final PersonStore people;
    private final FolderStore folders;
    private final ReportStore reports;
    private final SubscriptionStore subscriptions;
    private final RunStore runs;
    private final IssueStore issues;
    private final DataSetStore dataSets;

    Gate(
            PersonStore people,
            FolderStore folders,
            ReportStore reports,
            SubscriptionStore subscriptions,
            RunStore runs,
            IssueStore issues,
            DataSetStore dataSets) {
        this.people = people;
        this.folders = folders;
        this.reports = reports;
        this.subscriptions = subscriptions;
        this.runs = runs;
        this.issues = issues;
        this.dataSets = dataSets;
    }

    /** All that one person may do, as it stands in one transaction. */
    public final class Access {
        private final Rights rights;
        private final Rights.Asker asker;

        private Access(Tx tx, Person who) {
            this.rights = folders.rights(tx);
            this.asker = people.asker(tx, who);
        }

        public boolean may(Verb verb, FolderId folder) {
            return rights.allows(asker, verb, folder);
        }

        public Set<Verb> verbs(FolderId folder) {
            return rights.answer(asker, folder).verbs();
        }
    }

    public Access access(Tx tx, Person who) {
        return new Access(tx, who);
    }

    /** Whether somebody may see all of some reports at this moment; asked when an issue is opened. Of none, nobody may. */
    public boolean maySee(Tx tx, PersonId person, Collection<ReportId> some) {
        return may(tx, person, Verb.SEE, some);
    }

    /** Those of many people who may see all of some reports at this moment; nobody where there are none. */
    public Set<PersonId> whoMaySee(Tx tx, Collection<PersonId> some, Collection<ReportId> seen) {
        Set<FolderId> of = folders(tx, seen);
        if (of.isEmpty()) {
            return Set.of();
        }
        Rights rights = folders.rights(tx);
        return people.askers(tx, people.find(tx, some).values()).stream()
                .filter(asker -> of.stream().allMatch(folder -> rights.allows(asker, Verb.SEE, folder)))
                .map(Rights.Asker::person)
                .collect(Collectors.toSet());
    }

    /** Whether somebody may do the same with all of some reports. */
    public boolean may(Tx tx, PersonId person, Verb verb, Collection<ReportId> some) {
        return people.find(tx, person)
                .map(found -> may(tx, access(tx, found), verb, some))
                .orElse(false);
    }

    /** The same of somebody whose rights are known. What is about no report is in no folder that would allow it. */
    public boolean may(Tx tx, Access access, Verb verb, Collection<ReportId> some) {
        return !some.isEmpty() && folders(tx, some).stream().allMatch(folder -> access.may(verb, folder));
    }

    private Set<FolderId> folders(Tx tx, Collection<ReportId> some) {
        return some.stream().map(report -> folder(tx, report)).collect(Collectors.toSet());
    }

    private FolderId folder(Tx tx, ReportId report) {
        return reports.find(tx, report).orElseThrow().folder();
    }

    /** One that somebody may know of, though he may not see it. */
    public Report known(Tx tx, Person who, ReportId id) {
        return reports.find(tx, id)
                .filter(report -> !report.removed())
                .filter(report -> access(tx, who).may(Verb.KNOW, report.folder()))
                .orElseThrow(Problem::notFound);
    }

    public Report readable(Tx tx, Person who, ReportId id) {
        return reports.find(tx, id)
                .filter(report -> !report.removed())
                .filter(report -> access(tx, who).may(Verb.SEE, report.folder()))
                .orElseThrow(Problem::notFound);
    }

    /** One that is mine, or that I am on the list of and whose report I may see; auditors see all. */
    public Subscription visible(Tx tx, Person who, SubscriptionId id) {
        return subscriptions
                .find(tx, id)
                .filter(found -> isVisible(tx, access(tx, who), who, found))
                .orElseThrow(Problem::notFound);
    }

    /** Owners see what they own even when they have lost the right to its report: they must learn why it paused. */
    public boolean isVisible(Tx tx, Access access, Person who, Subscription subscription) {
        if (mayChange(who, subscription) || readsHouse(who)) {
            return true;
        }
        return isListed(who, subscription)
                && may(tx, access, Verb.SEE, subscription.terms().reports());
    }

    /** Whether somebody may know all who get it, and all of its terms; others know of themselves. */
    public boolean readsRecipients(Person who, Subscription subscription) {
        return mayChange(who, subscription) || readsHouse(who);
    }

    public boolean mayChange(Person who, Subscription subscription) {
        return who.is(Role.ADMINISTRATOR) || subscription.owner().equals(who.id());
    }

    /** One that I may change. */
    public Subscription changeable(Tx tx, Person who, SubscriptionId id) {
        Subscription found = visible(tx, who, id);
        return require(mayChange(who, found), found);
    }

    /** One that I may try: not somebody's who reads it by his role alone. */
    public Subscription triable(Tx tx, Person who, SubscriptionId id) {
        Subscription found = visible(tx, who, id);
        found.terms().reports().forEach(report -> readable(tx, who, report));
        return require(mayChange(who, found) || isListed(who, found), found);
    }

    private static Subscription require(boolean may, Subscription found) {
        if (!may) {
            throw new Problem(
                    Problem.Kind.FORBIDDEN,
                    "subscription.not-yours",
                    found.terms().name());
        }
        return found;
    }

    private static boolean isListed(Person who, Subscription subscription) {
        return subscription.terms().recipients().contains(who.id());
    }

    /** An issue whose reports I may all see now; a trial is for the one who asked for it. */
    public Issue openable(Tx tx, Person who, IssueId id) {
        return issues.find(tx, id)
                .filter(issue -> maySee(tx, who, issue))
                .filter(issue -> issue.number().isPresent() || isAsker(tx, who, issue.run()))
                .orElseThrow(Problem::notFound);
    }

    /** A run of a subscription that I may see; of a trial, only my own. */
    public Run visibleRun(Tx tx, Person who, RunId id) {
        return runs.find(tx, id)
                .filter(run -> {
                    visible(tx, who, run.subscription());
                    return run.trigger().kind() != Trigger.Kind.TRIAL || isAsker(tx, who, id);
                })
                .orElseThrow(Problem::notFound);
    }

    private boolean isAsker(Tx tx, Person who, RunId run) {
        return runs.find(tx, run).flatMap(Run::askedBy).filter(who.id()::equals).isPresent();
    }

    /** Whether somebody may see all the reports that an issue is of. */
    public boolean maySee(Tx tx, Person who, Issue issue) {
        return maySee(tx, who.id(), reports(tx, issue));
    }

    private Set<ReportId> reports(Tx tx, Issue issue) {
        return subscriptions.reports(tx, issue.subscription()).getOrDefault(issue.subscriptionVersion(), Set.of());
    }

    /** Those issues of one subscription whose reports somebody may all see. */
    public List<Issue> openable(Tx tx, Access access, SubscriptionId subscription, List<Issue> some) {
        Map<Integer, Set<ReportId>> byVersion = subscriptions.reports(tx, subscription);
        // versions mostly have the same reports
        Map<Set<ReportId>, Boolean> maySee = new HashMap<>();
        return some.stream()
                .filter(issue -> byVersion.containsKey(issue.subscriptionVersion())
                        && maySee.computeIfAbsent(
                                byVersion.get(issue.subscriptionVersion()),
                                reports -> may(tx, access, Verb.SEE, reports)))
                .toList();
    }

    /** A folder into which somebody may publish. */
    public void requirePublish(Tx tx, Person who, FolderId folder) {
        Access access = access(tx, who);
        String name = folders.find(tx, folder)
                .filter(found -> access.may(Verb.SEE, folder))
                .map(Folder::name)
                .orElseThrow(Problem::notFound);
        if (!access.may(Verb.PUBLISH, folder)) {
            throw new Problem(Problem.Kind.FORBIDDEN, "folder.no-publish", name);
        }
    }

    /** The folders that somebody manages. */
    public Set<FolderId> managed(Tx tx, Person who) {
        Access access = access(tx, who);
        return folders.all(tx).stream()
                .map(Folder::id)
                .filter(folder -> access.may(Verb.MANAGE, folder))
                .collect(Collectors.toSet());
    }

    /** Somebody who gives rights in a folder, and answers who asks for them. */
    public Folder managed(Tx tx, Person who, FolderId id) {
        Access access = access(tx, who);
        Folder found =
                folders.find(tx, id).filter(folder -> access.may(Verb.SEE, id)).orElseThrow(Problem::notFound);
        if (!access.may(Verb.MANAGE, id)) {
            throw new Problem(Problem.Kind.FORBIDDEN, "folder.not-managed", found.name());
        }
        return found;
    }

    /** Whether somebody manages some folder; asked often, so that it looks for one row rather than through all rights. */
    public boolean managesSome(Tx tx, Person who) {
        return who.is(Role.ADMINISTRATOR) || folders.isGranted(tx, who.id(), Verb.MANAGE);
    }

    /** Somebody who may read what is granted somewhere: in the whole house, or in the folders that he manages. */
    public void requireGrantReader(Tx tx, Person who) {
        if (!readsHouse(who) && !managesSome(tx, who)) {
            throw new Problem(Problem.Kind.FORBIDDEN, "house.managers-only");
        }
    }

    /** Somebody who may read what is granted in a folder. */
    public void requireGrantReader(Tx tx, Person who, FolderId folder) {
        if (!readsHouse(who)) {
            managed(tx, who, folder);
        }
    }

    /** A data set that somebody may load and rule. */
    public DataSet publishable(Tx tx, Person who, DataSetId id) {
        DataSet found =
                dataSets.find(tx, id).filter(dataSet -> !dataSet.removed()).orElseThrow(Problem::notFound);
        requirePublish(tx, who, found.folder());
        return found;
    }

    /** A data set that somebody may publish, or reads by his role. */
    public DataSet mindable(Tx tx, Person who, DataSetId id) {
        return dataSets.find(tx, id)
                .filter(found -> !found.removed() && mayMind(tx, who, found))
                .orElseThrow(Problem::notFound);
    }

    public boolean mayMind(Tx tx, Person who, DataSet dataSet) {
        return readsHouse(who) || access(tx, who).may(Verb.PUBLISH, dataSet.folder());
    }

    public void requireAdministrator(Person who) {
        if (!who.is(Role.ADMINISTRATOR)) {
            throw new Problem(Problem.Kind.FORBIDDEN, "house.administrators-only");
        }
    }

    /** Somebody who may read every setting of the house. */
    public void requireHouseReader(Person who) {
        if (!readsHouse(who)) {
            throw new Problem(Problem.Kind.FORBIDDEN, "house.readers-only");
        }
    }

    /** Whether somebody reads everything in the house by his role. */
    public boolean readsHouse(Person who) {
        return !who.roles().isEmpty();
    }
}
