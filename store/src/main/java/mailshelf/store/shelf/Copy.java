package mailshelf.store.shelf;

import java.util.List;
import mailshelf.core.data.Allowed;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.subscription.SeenAs;

/**
 * What several recipients of an issue got alike.
 *
 * @param seenAs by whose row rules it was made
 * @param allowed what those let it show; none where all rows were
 * @param isEmpty no row lay behind it, so that it was sent to nobody
 * @param headline its first figure in words
 */
public record Copy(CopyId id, SeenAs seenAs, List<Allowed> allowed, boolean isEmpty, String headline) {}
