package mailshelf.core.rights;

import java.util.Set;

/**
 * What a subject may do in a folder and those under it, until one of them says otherwise for the same subject.
 *
 * @param verbs empty means "nothing", said on purpose
 */
public record Grant(Subject subject, FolderId folder, Set<Verb> verbs) {
    public Grant {
        verbs = Set.copyOf(verbs);
    }
}
