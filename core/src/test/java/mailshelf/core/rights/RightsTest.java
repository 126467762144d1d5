package mailshelf.core.rights;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class RightsTest {
    private static final FolderId TRAFFIC = new FolderId(1);
    private static final FolderId CANCELLATIONS = new FolderId(2);
    private static final GroupId OPERATIONS = new GroupId(1);
    private static final GroupId LEADS = new GroupId(2);
    private static final Map<FolderId, Optional<FolderId>> TREE =
            Map.of(TRAFFIC, Optional.empty(), CANCELLATIONS, Optional.of(TRAFFIC));

    @Test
    void a_folder_takes_what_the_one_above_gives_until_it_says_otherwise() {
        Rights rights = rights(
                grant(OPERATIONS, TRAFFIC, Verb.SUBSCRIBE_TEAMMATES), grant(OPERATIONS, CANCELLATIONS, Verb.SEE));

        assertThat(rights.answer(ida(OPERATIONS), TRAFFIC).verbs())
                .containsExactlyInAnyOrder(Verb.KNOW, Verb.SEE, Verb.SUBSCRIBE_SELF, Verb.SUBSCRIBE_TEAMMATES);
        assertThat(rights.answer(ida(OPERATIONS), CANCELLATIONS).verbs())
                .containsExactlyInAnyOrder(Verb.KNOW, Verb.SEE);
    }

    @Test
    void nothing_said_on_purpose_stops_what_is_inherited_but_not_what_another_group_gives() {
        Rights rights = rights(
                grant(OPERATIONS, TRAFFIC, Verb.SEE),
                new Grant(new Subject.OfGroup(OPERATIONS), CANCELLATIONS, Set.of()),
                grant(LEADS, CANCELLATIONS, Verb.SUBSCRIBE_SELF));

        assertThat(rights.answer(ida(OPERATIONS), CANCELLATIONS).verbs()).isEmpty();
        assertThat(rights.answer(ida(OPERATIONS, LEADS), CANCELLATIONS).verbs())
                .containsExactlyInAnyOrder(Verb.KNOW, Verb.SEE, Verb.SUBSCRIBE_SELF);
    }

    @Test
    void without_a_grant_there_is_nothing_and_the_inactive_have_nothing_at_all() {
        Rights rights = rights(grant(LEADS, TRAFFIC, Verb.SEE));
        var gone = new Rights.Asker(new PersonId(1), Set.of(LEADS), Set.of(Role.ADMINISTRATOR), false);

        assertThat(rights.answer(ida(OPERATIONS), TRAFFIC).verbs()).isEmpty();
        assertThat(rights.answer(gone, TRAFFIC).verbs()).isEmpty();
    }

    @Test
    void auditors_see_everything_and_do_what_their_groups_may() {
        Rights rights = rights(grant(LEADS, CANCELLATIONS, Verb.SUBSCRIBE_SELF));
        var auditor = new Rights.Asker(new PersonId(1), Set.of(LEADS), Set.of(Role.AUDITOR), true);

        assertThat(rights.answer(auditor, TRAFFIC).verbs()).containsExactlyInAnyOrder(Verb.KNOW, Verb.SEE);
        assertThat(rights.answer(auditor, CANCELLATIONS).verbs())
                .containsExactlyInAnyOrder(Verb.KNOW, Verb.SEE, Verb.SUBSCRIBE_SELF);
    }

    @Test
    void who_publishes_sees_but_subscribes_nobody() {
        assertThat(rights(grant(LEADS, TRAFFIC, Verb.PUBLISH))
                        .answer(ida(LEADS), TRAFFIC)
                        .verbs())
                .containsExactlyInAnyOrder(Verb.KNOW, Verb.SEE, Verb.PUBLISH);
    }

    @Test
    void who_manages_a_folder_is_found_there_and_above_unless_the_nearest_word_says_otherwise() {
        Rights rights = rights(
                grant(OPERATIONS, TRAFFIC, Verb.MANAGE),
                grant(LEADS, TRAFFIC, Verb.MANAGE),
                grant(LEADS, CANCELLATIONS, Verb.SEE));

        assertThat(rights.granted(Verb.MANAGE, CANCELLATIONS)).containsExactly(new Subject.OfGroup(OPERATIONS));
        assertThat(rights.granted(Verb.SEE, CANCELLATIONS)).hasSize(2);
        assertThat(rights.granted(Verb.PUBLISH, TRAFFIC)).isEmpty();
    }

    @Test
    void the_answer_names_the_grant_that_it_comes_from() {
        Grant grant = grant(OPERATIONS, TRAFFIC, Verb.SEE);

        assertThat(rights(grant).answer(ida(OPERATIONS), CANCELLATIONS).because())
                .containsExactly(grant);
    }

    private static Rights rights(Grant... grants) {
        return new Rights(TREE, List.of(grants));
    }

    private static Grant grant(GroupId group, FolderId folder, Verb verb) {
        return new Grant(new Subject.OfGroup(group), folder, Set.of(verb));
    }

    private static Rights.Asker ida(GroupId... groups) {
        return new Rights.Asker(new PersonId(1), Set.of(groups), Set.of(), true);
    }
}
