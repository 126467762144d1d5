package mailshelf.server.work;

import java.util.Optional;
import java.util.function.Supplier;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.SourceId;
import mailshelf.core.wording.Words;
import mailshelf.core.work.WorkFailure;
import mailshelf.server.HouseSettings;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.source.SourceStore;
import mailshelf.store.subscription.SubscriptionStore;
import mailshelf.store.work.WorkFailureStore;
import org.springframework.stereotype.Component;

/** What is set aside, in words and with the address where more is said of it. */
@Component
class SetAsideWords {
    private final WorkFailureStore failures;
    private final SubscriptionStore subscriptions;
    private final DataSetStore dataSets;
    private final SourceStore sources;
    private final HouseSettings settings;

    SetAsideWords(
            WorkFailureStore failures,
            SubscriptionStore subscriptions,
            DataSetStore dataSets,
            SourceStore sources,
            HouseSettings settings) {
        this.failures = failures;
        this.subscriptions = subscriptions;
        this.dataSets = dataSets;
        this.sources = sources;
        this.settings = settings;
    }

    /** "Making an issue of “Cancelled sailings”" */
    String what(Tx tx, Words words, WorkFailure failure) {
        return words.say("set-aside.what." + failure.kind().name(), name(tx, words, failure));
    }

    /** A stored row that cannot be read may be the very reason: then it is called by its number. */
    private String name(Tx tx, Words words, WorkFailure failure) {
        return switch (failure.kind()) {
            case BOOK, AWAIT, MAKE, SEND, CLOSE ->
                failures.subscription(tx, failure.kind(), failure.unit())
                        .map(id -> readable(() -> subscriptions
                                        .find(tx, id)
                                        .map(found -> found.terms().name()))
                                .orElseGet(() -> words.say("set-aside.subscription", id.value())))
                        .orElse("");
            case LOAD ->
                readable(() -> dataSets.find(tx, new DataSetId(failure.unit())).map(found -> found.name()))
                        .orElseGet(() -> words.say("set-aside.data-set", failure.unit()));
            case CHECK_SOURCE ->
                readable(() -> sources.find(tx, new SourceId(failure.unit())).map(found -> found.name()))
                        .orElseGet(() -> words.say("set-aside.source", failure.unit()));
            case NOTIFY -> "";
        };
    }

    private static Optional<String> readable(Supplier<Optional<String>> name) {
        try {
            return name.get();
        } catch (RuntimeException e) {
            return Optional.empty();
        }
    }

    /** Where it can be tried again. */
    String address(Tx tx, WorkFailure failure) {
        return settings.baseUrl()
                + failures.run(tx, failure.kind(), failure.unit())
                        .map(run -> "/runs/" + run.value())
                        .or(() -> failures.subscription(tx, failure.kind(), failure.unit())
                                .map(id -> "/subscriptions/" + id.value()))
                        .orElse("/house/set-aside");
    }
}
