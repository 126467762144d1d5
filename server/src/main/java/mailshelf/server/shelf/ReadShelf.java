package mailshelf.server.shelf;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Role;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.wording.Alphabet;
import mailshelf.core.wording.Words;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.http.Languages;
import mailshelf.server.rights.Gate;
import mailshelf.server.subscription.Describe;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.library.ReportStore;
import mailshelf.store.shelf.Issue;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Reads the shelf: a row a subscription, its issues as spines along a common time axis, and the news in one sentence. */
@Component
class ReadShelf {
    private static final Duration NEEDS_A_LOOK_FOR = Duration.ofDays(7);

    private static final int MOST_NEWS = 3;

    private final Gate gate;
    private final Database database;
    private final SubscriptionStore subscriptions;
    private final ReportStore reports;
    private final IssueStore issues;
    private final OpenCopies openCopies;
    private final Spines spines;
    private final Describe describe;
    private final BusinessClock clock;

    /** Which rows are wanted. */
    enum Scope {
        ALL,
        PUT_FOR_ME,
        CHOSEN_BY_ME
    }

    /** Where a row stands on the page. */
    enum Group {
        NEEDS_A_LOOK,
        NEW,
        QUIET
    }

    record ShelfRow(
            SubscriptionId subscription,
            String title,
            String line,
            Group group,
            List<Spine> spines,
            Optional<Instant> next,
            boolean mayOpen) {}

    /** A piece of the sentence of news; with an issue it is a link. */
    record NewsPhrase(String text, Optional<IssueId> issue) {}

    record ShelfView(Instant from, Instant now, Instant to, List<NewsPhrase> news, List<ShelfRow> rows) {}

    ReadShelf(
            Gate gate,
            Database database,
            SubscriptionStore subscriptions,
            ReportStore reports,
            IssueStore issues,
            OpenCopies openCopies,
            Spines spines,
            Describe describe,
            BusinessClock clock) {
        this.gate = gate;
        this.database = database;
        this.subscriptions = subscriptions;
        this.reports = reports;
        this.issues = issues;
        this.openCopies = openCopies;
        this.spines = spines;
        this.describe = describe;
        this.clock = clock;
    }

    /** @param days how far back */
    ShelfView run(Person who, Scope scope, int days) {
        Instant now = clock.instant();
        Instant from = now.minus(Duration.ofDays(days));
        return database.inTransaction(tx -> {
            Map<IssueId, IssueStore.ShelfEntry> mine = new HashMap<>();
            issues.shelf(tx, who.id()).forEach(entry -> mine.put(entry.issue(), entry));
            Gate.Access access = gate.access(tx, who);
            List<Subscription> visible = visible(tx, access);
            OpenCopies.Sight sight = openCopies.of(tx, who);
            Map<SubscriptionId, List<Issue>> bySubscription = new HashMap<>();
            issues.since(tx, visible.stream().map(Subscription::id).toList(), from).stream()
                    .collect(Collectors.groupingBy(Issue::subscription))
                    .forEach((id, some) -> bySubscription.put(id, gate.openable(tx, access, id, some)));
            List<ShelfRow> rows = visible.stream()
                    .filter(subscription -> isWanted(who, scope, subscription, bySubscription, mine))
                    .map(subscription -> row(
                            tx,
                            who,
                            access,
                            subscription,
                            spines.of(sight, who, bySubscription.getOrDefault(subscription.id(), List.of()), mine)))
                    .filter(row -> !row.spines().isEmpty() || row.next().isPresent())
                    .sorted(Comparator.comparing(ShelfRow::group).thenComparing(ShelfRow::title, Alphabet.order()))
                    .toList();
            Instant to = now.plus(Duration.ofDays(Math.max(7, days / 6)));
            return new ShelfView(from, now, to, news(sight, who, bySubscription, mine), rows);
        });
    }

    /** Issues are there for everybody who may see the report, whether on the list or not. */
    private List<Subscription> visible(Tx tx, Gate.Access access) {
        return subscriptions.all(tx).stream()
                .filter(subscription -> subscription.state() != State.DRAFT)
                .filter(subscription ->
                        gate.may(tx, access, Verb.SEE, subscription.terms().reports()))
                .toList();
    }

    private static boolean isWanted(
            Person who,
            Scope scope,
            Subscription subscription,
            Map<SubscriptionId, List<Issue>> issues,
            Map<IssueId, IssueStore.ShelfEntry> mine) {
        return switch (scope) {
            case ALL -> true;
            case CHOSEN_BY_ME -> subscription.owner().equals(who.id());
            case PUT_FOR_ME ->
                subscription.terms().recipients().contains(who.id())
                        || issues.getOrDefault(subscription.id(), List.of()).stream()
                                .anyMatch(issue -> mine.containsKey(issue.id()));
        };
    }

    private ShelfRow row(Tx tx, Person who, Gate.Access access, Subscription subscription, List<Spine> spines) {
        boolean mayOpen = gate.isVisible(tx, access, who, subscription);
        return new ShelfRow(
                subscription.id(),
                subscription.terms().name(),
                describe.sentence(tx, subscription, who),
                group(who, subscription, spines),
                spines,
                subscription.nextDue(),
                mayOpen);
    }

    private Group group(Person who, Subscription subscription, List<Spine> spines) {
        boolean minds = subscription.owner().equals(who.id()) || who.is(Role.ADMINISTRATOR);
        // a daily one that went well today has those waiting still who were sent nothing on Friday
        Instant recent = clock.instant().minus(NEEDS_A_LOOK_FOR);
        boolean faulty = spines.stream()
                        .anyMatch(spine -> spine.isFaulty() && !spine.at().isBefore(recent))
                || !spines.isEmpty() && spines.get(spines.size() - 1).isFaulty();
        boolean stopped = subscription.state() == State.PAUSED
                && !subscription.pausedBecause().isEmpty();
        if (minds && (faulty || stopped)) {
            return Group.NEEDS_A_LOOK;
        }
        boolean unread = spines.stream().anyMatch(spine -> spine.state() == Spine.State.UNREAD);
        return unread ? Group.NEW : Group.QUIET;
    }

    private static List<NewsPhrase> news(
            OpenCopies.Sight sight,
            Person who,
            Map<SubscriptionId, List<Issue>> bySubscription,
            Map<IssueId, IssueStore.ShelfEntry> mine) {
        Words words = Words.in(Languages.supported(who.locale()));
        List<Issue> unread = bySubscription.values().stream()
                .flatMap(List::stream)
                .filter(issue -> issue.made()
                        && mine.containsKey(issue.id())
                        && !mine.get(issue.id()).copy().isEmpty()
                        && mine.get(issue.id()).readAt().isEmpty())
                .sorted(Comparator.comparing(Issue::madeAt).reversed())
                .toList();
        List<NewsPhrase> news = new ArrayList<>();
        news.add(new NewsPhrase(words.say("news.count", unread.size()), Optional.empty()));
        List<Issue> told = unread.stream().limit(MOST_NEWS).toList();
        for (int i = 0; i < told.size(); i++) {
            Issue issue = told.get(i);
            news.add(new NewsPhrase(i == 0 ? ": " : "; ", Optional.empty()));
            String headline = Spines.headline(sight, issue, Optional.of(mine.get(issue.id())));
            String what = headline.isEmpty() ? issue.name() : firstPart(headline);
            boolean isOneOfSeveral = told.stream()
                            .filter(each -> each.name().equals(issue.name()))
                            .count()
                    > 1;
            String key = isOneOfSeveral ? "news.item-of-several" : "news.item";
            String day = words.dates(who.zone())
                    .weekday(issue.dueAt().atZone(who.zone()).toLocalDate());
            news.add(new NewsPhrase(words.say(key, issue.name(), what, day), Optional.of(issue.id())));
        }
        news.add(new NewsPhrase(".", Optional.empty()));
        return news;
    }

    /** Figure and value, without the comparison. */
    private static String firstPart(String headline) {
        int comma = headline.indexOf(", ");
        return comma < 0 ? headline : headline.substring(0, comma);
    }
}
