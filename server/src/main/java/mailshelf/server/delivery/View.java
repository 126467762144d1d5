package mailshelf.server.delivery;

import java.util.List;
import mailshelf.core.data.Seen;
import mailshelf.core.data.Viewer;
import mailshelf.core.named.InText;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.Terms;
import mailshelf.store.delivery.RunStore;

/**
 * The recipients of a run who all see the same rows, and so get the same copy.
 *
 * @param viewers as whom it is seen, by source
 * @param terms with what named values come to for them
 * @param texts the named values in the texts of its reports, and in its letter
 * @param named what they see of the data that those are taken from
 */
record View(
        SeenAs seenAs,
        List<Viewer> viewers,
        Terms terms,
        List<InText> texts,
        List<Seen> named,
        List<RunStore.Listed> recipients) {}
