package mailshelf.server.personal;

import java.util.Collection;
import java.util.Optional;
import java.util.stream.Stream;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.Terms;
import mailshelf.server.library.Definitions;
import mailshelf.server.named.ResolveNamed;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import org.springframework.stereotype.Component;

/**
 * Finds out whether data let others be shown all that a subscription's owner may see: those of its reports, and those that
 * its named values are taken from.
 */
@Component
public class OwnerView {
    private final ResolveNamed named;
    private final DataSetStore dataSets;

    OwnerView(ResolveNamed named, DataSetStore dataSets) {
        this.named = named;
        this.dataSets = dataSets;
    }

    /**
     * Whose rows terms show as it is done.
     *
     * @param published the reports of the terms
     */
    public SeenAs asDone(Tx tx, Terms terms, Collection<Definitions.Published> published) {
        return terms.seenAs(forbiddenBy(tx, terms, published).isEmpty());
    }

    /** A data set that does not let it be so; empty where all do. */
    public Optional<DataSet> forbiddenBy(Tx tx, Terms terms, Collection<Definitions.Published> published) {
        Stream<DataSet> ofNamed = named
                .dataSets(
                        tx,
                        terms,
                        published.stream()
                                .map(Definitions.Published::definition)
                                .toList())
                .keySet()
                .stream()
                .map(id -> dataSets.find(tx, id).orElseThrow());
        return Stream.concat(published.stream().map(Definitions.Published::dataSet), ofNamed)
                .filter(dataSet -> !dataSet.ownerView())
                .findFirst();
    }
}
