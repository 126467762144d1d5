package mailshelf.server.delivery;

import java.time.Instant;
import mailshelf.core.data.DataSetId;
import mailshelf.core.delivery.Trigger;
import mailshelf.core.subscription.Subscription;
import mailshelf.server.data.AfterLoads;
import mailshelf.server.library.Definitions;
import mailshelf.store.Tx;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Has what is sent after loads fall due when one of its data sets has been loaded. */
@Component
class SendAfterLoads implements AfterLoads {
    private final Definitions definitions;
    private final SubscriptionStore subscriptions;
    private final RunStore runs;

    SendAfterLoads(Definitions definitions, SubscriptionStore subscriptions, RunStore runs) {
        this.definitions = definitions;
        this.subscriptions = subscriptions;
        this.runs = runs;
    }

    @Override
    public void loaded(Tx tx, DataSetId dataSet, Instant now) {
        for (Subscription subscription : subscriptions.afterLoads(tx, definitions.over(tx, dataSet))) {
            var last = runs.lastDue(tx, subscription.id(), Trigger.Kind.LOAD);
            subscriptions.update(tx, subscription, subscription.loaded(now, last), subscription.owner(), now);
        }
    }
}
