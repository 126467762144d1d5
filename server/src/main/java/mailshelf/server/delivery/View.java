package mailshelf.server.delivery;

import java.util.List;
import mailshelf.core.data.Viewer;
import mailshelf.core.subscription.SeenAs;
import mailshelf.store.delivery.RunStore;

/**
 * The recipients of a run who all see the same rows, and so get the same copy.
 *
 * @param viewers as whom it is seen, by source
 */
record View(SeenAs seenAs, List<Viewer> viewers, List<RunStore.Listed> recipients) {}
