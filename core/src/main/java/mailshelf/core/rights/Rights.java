package mailshelf.core.rights;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Who may do what in which folder. For each subject the nearest folder upwards that says something counts; a person has
 * what he is granted himself and what any of his groups is. Immutable.
 */
public final class Rights {
    private final Map<FolderId, Optional<FolderId>> parents;
    private final Map<FolderId, Map<Subject, Grant>> grants = new HashMap<>();

    /** @param parents every folder with the one above it */
    public Rights(Map<FolderId, Optional<FolderId>> parents, List<Grant> grants) {
        this.parents = Map.copyOf(parents);
        grants.forEach(grant -> this.grants
                .computeIfAbsent(grant.folder(), folder -> new HashMap<>())
                .put(grant.subject(), grant));
    }

    /** Who asks: administrators may do everything, auditors see everything, people who were made inactive may do nothing. */
    public record Asker(PersonId person, Set<GroupId> groups, Set<Role> roles, boolean active) {
        public Asker {
            groups = Set.copyOf(groups);
            roles = Set.copyOf(roles);
        }
    }

    /**
     * What is allowed, with the grants that it comes from.
     *
     * @param because the grants that gave at least one verb, or said nothing on purpose
     */
    public record Answer(Set<Verb> verbs, List<Grant> because) {
        public boolean allows(Verb verb) {
            return verbs.contains(verb);
        }
    }

    public Answer answer(Asker asker, FolderId folder) {
        if (!asker.active()) {
            return new Answer(Set.of(), List.of());
        }
        if (asker.roles().contains(Role.ADMINISTRATOR)) {
            return new Answer(EnumSet.allOf(Verb.class), List.of());
        }
        EnumSet<Verb> verbs = EnumSet.noneOf(Verb.class);
        if (asker.roles().contains(Role.AUDITOR)) {
            verbs.addAll(Verb.SEE.withImplied());
        }
        List<Grant> because = new ArrayList<>();
        for (Subject subject : subjects(asker)) {
            inForce(subject, folder).ifPresent(grant -> {
                because.add(grant);
                grant.verbs().forEach(verb -> verbs.addAll(verb.withImplied()));
            });
        }
        return new Answer(Set.copyOf(verbs), List.copyOf(because));
    }

    public boolean allows(Asker asker, Verb verb, FolderId folder) {
        return answer(asker, folder).allows(verb);
    }

    /** The grant that counts for a subject in a folder: its own there, or the nearest above. */
    public Optional<Grant> inForce(Subject subject, FolderId folder) {
        Optional<FolderId> at = Optional.of(folder);
        while (at.isPresent()) {
            Grant grant = grants.getOrDefault(at.get(), Map.of()).get(subject);
            if (grant != null) {
                return Optional.of(grant);
            }
            at = parents.getOrDefault(at.get(), Optional.empty());
        }
        return Optional.empty();
    }

    /** Whom a grant in force in a folder gives something: people by themselves, and groups. */
    public Set<Subject> granted(Verb verb, FolderId folder) {
        return grants.values().stream()
                .flatMap(here -> here.keySet().stream())
                .filter(subject -> inForce(subject, folder).stream()
                        .flatMap(grant -> grant.verbs().stream())
                        .anyMatch(each -> each.withImplied().contains(verb)))
                .collect(Collectors.toSet());
    }

    private static List<Subject> subjects(Asker asker) {
        List<Subject> subjects = new ArrayList<>();
        subjects.add(new Subject.OfPerson(asker.person()));
        asker.groups().forEach(group -> subjects.add(new Subject.OfGroup(group)));
        return subjects;
    }
}
