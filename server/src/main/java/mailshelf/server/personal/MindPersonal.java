package mailshelf.server.personal;

import java.util.List;
import java.util.Locale;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.data.Column;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.PersonalRule;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Marks columns as personal, and keeps what the house does about them. */
@Component
class MindPersonal {
    private final Gate gate;
    private final Database database;
    private final Durable durable;
    private final PersonalColumns personal;
    private final Approvals approvals;
    private final DataSetStore dataSets;
    private final SubscriptionStore subscriptions;
    private final PersonStore people;
    private final AuditTrail audit;

    record PersonalWish(List<String> columns) {}

    record HouseRulesWish(PersonalRule personal) {}

    /** A subscription that sends personal columns as its owner sees them, and which. */
    record Concerned(SubscriptionId id, String name, String owner, State state, List<String> columns) {}

    /** @param concerned whom the rule concerns as things stand */
    record HouseRules(PersonalRule personal, List<Concerned> concerned) {}

    MindPersonal(
            Gate gate,
            Database database,
            Durable durable,
            PersonalColumns personal,
            Approvals approvals,
            DataSetStore dataSets,
            SubscriptionStore subscriptions,
            PersonStore people,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.durable = durable;
        this.personal = personal;
        this.approvals = approvals;
        this.dataSets = dataSets;
        this.subscriptions = subscriptions;
        this.people = people;
        this.audit = audit;
    }

    void mark(Person who, DataSetId id, List<String> columns) {
        database.doInTransaction(tx -> {
            DataSet dataSet = gate.publishable(tx, who, id);
            List<String> names = dataSet.columns().stream().map(Column::name).toList();
            columns.stream()
                    .filter(column -> !names.contains(column))
                    .findFirst()
                    .ifPresent(column -> {
                        throw Problem.invalid("data.no-such-column", column, dataSet.name(), String.join(", ", names));
                    });
            List<String> marked = names.stream().filter(columns::contains).toList();
            dataSets.personal(tx, id, marked);
            approvals.marksChanged(tx);
            audit.keep(
                    tx,
                    who,
                    Act.PERSONAL_COLUMNS_CHANGED,
                    Thing.of(Thing.Kind.DATA_SET, id, dataSet.name()),
                    String.join(", ", dataSet.personal()),
                    String.join(", ", marked));
        });
        durable.await();
    }

    HouseRules rules(Person who) {
        gate.requireHouseReader(who);
        return database.inTransaction(tx -> new HouseRules(personal.rule(tx), concerned(tx)));
    }

    private List<Concerned> concerned(Tx tx) {
        return subscriptions.all(tx).stream()
                .filter(each -> each.state() != State.ENDED)
                .map(each -> new Concerned(
                        each.id(),
                        each.terms().name(),
                        people.find(tx, each.owner()).orElseThrow().name(),
                        each.state(),
                        personal.goingOut(tx, each.owner(), each.terms())))
                .filter(each -> !each.columns().isEmpty())
                .toList();
    }

    void change(Person who, HouseRulesWish wish) {
        gate.requireAdministrator(who);
        database.doInTransaction(tx -> {
            PersonalRule before = personal.rule(tx);
            personal.rule(tx, wish.personal());
            audit.keep(
                    tx,
                    who,
                    Act.HOUSE_RULE_CHANGED,
                    Thing.ofHouse("personal columns"),
                    before.name().toLowerCase(Locale.ROOT),
                    wish.personal().name().toLowerCase(Locale.ROOT));
        });
        durable.await();
    }
}
