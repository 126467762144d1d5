package mailshelf.store.shelf;

import java.util.List;
import mailshelf.core.data.Seen;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.subscription.SeenAs;

/**
 * What several recipients of an issue got alike.
 *
 * @param seenAs by whose row rules it was made
 * @param slices what those let it show of each data set
 * @param isEmpty no row lay behind it, so that it was sent to nobody
 * @param headline its first figure in words
 */
public record Copy(CopyId id, SeenAs seenAs, List<Seen> slices, boolean isEmpty, String headline) {
    public Copy {
        slices = List.copyOf(slices);
    }

    /** Whether it shows all rows, of all its data. */
    public boolean showsAll() {
        return slices.stream().allMatch(slice -> slice.allowed().isEmpty());
    }
}
