package mailshelf.store.library;

import java.util.List;
import mailshelf.core.report.Clip;
import mailshelf.core.report.ClippingId;
import mailshelf.core.rights.PersonId;

/**
 * A page that somebody has put together for himself from blocks of reports.
 *
 * @param clips in the order in which they stand
 * @param version from 1, one more with each change
 */
public record KeptClipping(ClippingId id, PersonId owner, String name, List<Clip> clips, int version) {
    public KeptClipping {
        clips = List.copyOf(clips);
    }
}
