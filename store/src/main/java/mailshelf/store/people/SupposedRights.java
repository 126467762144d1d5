package mailshelf.store.people;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Folder;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Grant;
import mailshelf.core.rights.GroupId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Subject;

/**
 * A change of rights that is not made: a transaction that supposes it reads grants, people and memberships as they would be
 * ({@link mailshelf.store.Database#supposing}), without a lock that others wait for.
 */
public sealed interface SupposedRights {
    /** Something else is granted to a subject in a folder; empty where the folder's own word goes. */
    record OfGrant(Subject subject, FolderId folder, Optional<Grant> grant) implements SupposedRights {}

    /** Somebody has other roles, or is active or not. */
    record OfPerson(Person person) implements SupposedRights {}

    /** Others are in a group. */
    record OfGroup(GroupId group, Set<PersonId> members) implements SupposedRights {
        public OfGroup {
            members = Set.copyOf(members);
        }
    }

    /** A report stands in another folder. */
    record OfReport(ReportId report, FolderId folder) implements SupposedRights {}

    /** A folder lies in another; empty for the top. */
    record OfFolder(FolderId folder, Optional<FolderId> parent) implements SupposedRights {}

    /** The folder of a report as it would be. */
    default FolderId folder(ReportId of, FolderId is) {
        return this instanceof OfReport would && would.report().equals(of) ? would.folder() : is;
    }

    /** A folder where it would lie. */
    default Folder folder(Folder is) {
        return this instanceof OfFolder would && would.folder().equals(is.id())
                ? new Folder(is.id(), would.parent(), is.name())
                : is;
    }

    /** The grants as they would be. */
    default List<Grant> grants(List<Grant> all) {
        if (!(this instanceof OfGrant would)) {
            return all;
        }
        return Stream.concat(
                        all.stream()
                                .filter(each -> !each.subject().equals(would.subject())
                                        || !each.folder().equals(would.folder())),
                        would.grant().stream())
                .toList();
    }

    /** A person as somebody would be. */
    default Person person(Person is) {
        return this instanceof OfPerson would && would.person().id().equals(is.id()) ? would.person() : is;
    }

    /** The members of a group as they would be. */
    default List<PersonId> members(GroupId of, List<PersonId> are) {
        return this instanceof OfGroup would && would.group().equals(of)
                ? would.members().stream()
                        .sorted((a, b) -> Long.compare(a.value(), b.value()))
                        .toList()
                : are;
    }

    /** The groups of people as they would be in them. */
    default Map<PersonId, Set<GroupId>> groups(Map<PersonId, Set<GroupId>> are, Set<PersonId> asked) {
        if (!(this instanceof OfGroup change)) {
            return are;
        }
        Map<PersonId, Set<GroupId>> would = new LinkedHashMap<>();
        for (PersonId person : asked) {
            Stream<GroupId> others =
                    are.getOrDefault(person, Set.of()).stream().filter(each -> !each.equals(change.group()));
            Stream<GroupId> own = change.members().contains(person) ? Stream.of(change.group()) : Stream.empty();
            would.put(person, Stream.concat(others, own).collect(Collectors.toSet()));
        }
        return would;
    }
}
