package mailshelf.store.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.delivery.NoticeId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Grant;
import mailshelf.core.rights.Group;
import mailshelf.core.rights.GroupId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Subject;
import mailshelf.core.rights.Verb;
import mailshelf.store.Database;
import mailshelf.store.FreshDatabase;
import mailshelf.store.Someone;
import mailshelf.store.StoreException;
import mailshelf.store.delivery.Lease;
import mailshelf.store.delivery.WorkerStore;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** People, groups, folders, grants, invitations and notices over real H2. */
class PeopleStoresTest {
    private static final Instant NOW = Instant.parse("2026-11-25T09:00:00Z");

    @TempDir
    private Path folder;

    private Database database;
    private final PersonStore people = new PersonStore();
    private final FolderStore folders = new FolderStore();
    private final InvitationStore invitations = new InvitationStore();
    private final NoticeStore notices = new NoticeStore();

    @BeforeEach
    void open() {
        database = FreshDatabase.in(folder);
    }

    @AfterEach
    void close() {
        database.close();
    }

    @Test
    void a_session_ends_a_while_after_its_last_use_and_for_good_a_week_after_it_began() {
        SessionStore sessions = new SessionStore();
        Instant weekLater = NOW.plus(Duration.ofDays(7));
        database.doInTransaction(tx -> {
            sessions.begin(tx, "token", Someone.kept(tx, "Ida").id(), NOW, "::1", "a browser");
            long id = sessions.find(tx, "token", NOW, NOW).orElseThrow().id();
            sessions.seen(tx, id, weekLater);

            assertThat(sessions.find(tx, "token", weekLater, NOW)).isPresent();
            assertThat(sessions.find(tx, "token", weekLater.plusSeconds(1), NOW))
                    .as("not used since")
                    .isEmpty();
            assertThat(sessions.find(tx, "token", NOW, NOW.plusSeconds(1)))
                    .as("begun too long ago, although it is in use")
                    .isEmpty();
        });
    }

    @Test
    void a_person_comes_back_as_kept_and_is_found_by_address_whatever_its_case() {
        Person ida = database.inTransaction(tx -> Someone.kept(tx, "Ida"));

        database.doInTransaction(tx -> {
            assertThat(people.byAddress(tx, "IDA@Brinewater.example")).contains(ida);
            assertThat(people.byAddress(tx, "nobody@brinewater.example")).isEmpty();
            assertThat(people.all(tx)).containsExactly(ida);
        });
    }

    @Test
    void an_address_belongs_to_one_person() {
        database.doInTransaction(tx -> Someone.kept(tx, "Ida"));

        assertThatThrownBy(() -> database.doInTransaction(tx -> Someone.kept(tx, "Ida")))
                .isInstanceOf(StoreException.class);
        assertThat(database.inTransaction(people::all)).hasSize(1);
    }

    @Test
    void a_password_is_kept_as_its_hash_alone_and_may_be_missing() {
        Person ida = database.inTransaction(tx -> Someone.kept(tx, "Ida"));
        database.doInTransaction(tx -> {
            assertThat(people.passwordHash(tx, ida.id())).isEmpty();
            people.setPasswordHash(tx, ida.id(), "{bcrypt}x");
            assertThat(people.passwordHash(tx, ida.id())).contains("{bcrypt}x");
        });
    }

    @Test
    void members_of_a_group_are_replaced_as_a_whole() {
        database.doInTransaction(tx -> {
            Person ida = Someone.kept(tx, "Ida");
            Person tor = Someone.kept(tx, "Tor");
            GroupId leads = people.insertGroup(tx, "Route leads");
            people.setMembers(tx, leads, List.of(ida.id(), tor.id()));
            people.setMembers(tx, leads, List.of(tor.id()));

            assertThat(people.members(tx, leads)).containsExactly(tor.id());
            assertThat(people.asker(tx, tor).groups()).containsExactly(leads);
            assertThat(people.asker(tx, ida).groups()).isEmpty();
            assertThat(people.groups(tx)).extracting(Group::name).containsExactly("Route leads");
        });
    }

    @Test
    void a_grant_is_put_changed_and_taken_back() {
        database.doInTransaction(tx -> {
            GroupId leads = people.insertGroup(tx, "Route leads");
            FolderId traffic = folders.insert(tx, Optional.empty(), "Traffic");
            FolderId storms = folders.insert(tx, Optional.of(traffic), "Storms");
            Subject subject = new Subject.OfGroup(leads);
            Person ida = Someone.kept(tx, "Ida");
            people.setMembers(tx, leads, List.of(ida.id()));

            folders.put(tx, new Grant(subject, traffic, Set.of(Verb.SUBSCRIBE_SELF)));
            assertThat(may(tx, ida, Verb.SEE, storms)).isTrue();
            folders.put(tx, new Grant(subject, storms, Set.of()));
            assertThat(may(tx, ida, Verb.SEE, storms)).isFalse();
            assertThat(may(tx, ida, Verb.SEE, traffic)).isTrue();
            folders.remove(tx, subject, storms);
            assertThat(may(tx, ida, Verb.SEE, storms)).isTrue();
            folders.put(tx, new Grant(subject, traffic, Set.of(Verb.SEE)));
            assertThat(may(tx, ida, Verb.SUBSCRIBE_SELF, storms)).isFalse();
            assertThat(folders.grants(tx)).hasSize(1);
        });
    }

    private boolean may(mailshelf.store.Tx tx, Person person, Verb verb, FolderId folder) {
        return folders.rights(tx).allows(people.asker(tx, person), verb, folder);
    }

    @Test
    void an_invitation_ends_with_its_time_and_with_its_use() {
        database.doInTransaction(tx -> {
            Person ida = Someone.kept(tx, "Ida");
            invitations.insert(tx, "secret", ida.id(), NOW.plusSeconds(60));

            assertThat(invitations.find(tx, "secret", NOW)).contains(ida.id());
            assertThat(invitations.find(tx, "another", NOW)).isEmpty();
            assertThat(invitations.find(tx, "secret", NOW.plusSeconds(61))).isEmpty();
            invitations.remove(tx, ida.id());
            assertThat(invitations.find(tx, "secret", NOW)).isEmpty();
        });
    }

    @Test
    void an_invitations_secret_is_not_kept_in_plain_words() {
        database.doInTransaction(tx -> {
            Person ida = Someone.kept(tx, "Ida");
            invitations.insert(tx, "a-very-secret-token", ida.id(), NOW.plusSeconds(60));
            long found = tx.one(
                            "SELECT COUNT(*) AS many FROM invitation WHERE token_sha LIKE '%secret%'",
                            row -> row.number("many"))
                    .orElseThrow();
            assertThat(found).isZero();
        });
    }

    @Test
    void a_notice_is_taken_by_one_worker_and_its_text_goes_when_it_is_done() {
        database.doInTransaction(tx -> {
            new WorkerStore().begin(tx, "one", 1);
            notices.insert(tx, Someone.kept(tx, "Ida").id(), Optional.empty(), "Paused", "because of a link", NOW);
        });

        List<NoticeStore.Notice> first = claimNotices("one", NOW);
        assertThat(first).hasSize(1);
        assertThat(claimNotices("two", NOW)).isEmpty();

        NoticeId id = first.get(0).id();
        database.doInTransaction(tx -> notices.tried(tx, id, Optional.of(NOW.plusSeconds(300))));
        assertThat(claimNotices("two", NOW.plusSeconds(299))).isEmpty();
        assertThat(claimNotices("two", NOW.plusSeconds(300)))
                .singleElement()
                .satisfies(notice -> assertThat(notice.attempts()).isEqualTo(1));

        database.doInTransaction(tx -> {
            notices.tried(tx, id, Optional.empty());
            assertThat(tx.one("SELECT body FROM notice", row -> row.text("body")))
                    .contains("");
        });
    }

    private List<NoticeStore.Notice> claimNotices(String owner, Instant now) {
        return database.inTransaction(tx -> notices.claim(tx, new Lease(owner), now, NOW, 10).stream()
                .map(id -> notices.find(tx, id).orElseThrow())
                .toList());
    }
}
