package mailshelf.server.personal;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mailshelf.core.data.PersonalRule;
import mailshelf.core.named.InText;
import mailshelf.core.named.NamedValue;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportId;
import mailshelf.core.report.ShownColumns;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.Terms;
import mailshelf.server.library.Definitions;
import mailshelf.store.SettingStore;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.named.KeptNamed;
import mailshelf.store.named.NamedStore;
import org.springframework.stereotype.Component;

/**
 * Finds out which personal columns others would be shown as a subscription's owner sees them: where row rules make a
 * difference between the two, and pages are sent as he sees them. What each sees with his own eyes is his own affair.
 */
@Component
public final class PersonalColumns {
    private static final String SETTING = "personal-columns";

    private final SettingStore settings;
    private final DataSetStore dataSets;
    private final Definitions definitions;
    private final NamedStore named;
    private final OwnerView ownerView;

    PersonalColumns(
            SettingStore settings,
            DataSetStore dataSets,
            Definitions definitions,
            NamedStore named,
            OwnerView ownerView) {
        this.settings = settings;
        this.dataSets = dataSets;
        this.definitions = definitions;
        this.named = named;
        this.ownerView = ownerView;
    }

    public PersonalRule rule(Tx tx) {
        return settings.find(tx, SETTING).map(PersonalRule::valueOf).orElse(PersonalRule.WARN);
    }

    void rule(Tx tx, PersonalRule rule) {
        settings.put(tx, SETTING, rule.name());
    }

    /**
     * What others than the owner are not shown.
     *
     * @param columns by report, in the order of the terms
     * @param named named values that are taken from such columns
     */
    public record Masked(List<List<String>> columns, Set<String> named) {
        /** Named values in texts, as those others read them. */
        public List<InText> in(List<InText> texts) {
            return texts.stream()
                    .map(text -> named.contains(text.name()) ? text.masked() : text)
                    .toList();
        }
    }

    /** Those that go out, by their titles, and named values taken from such; none where nobody but the owner gets it. */
    public List<String> goingOut(Tx tx, PersonId owner, Terms terms) {
        List<ReportId> of = terms.reports();
        List<Definitions.Published> published =
                of.stream().map(report -> definitions.newest(tx, report)).toList();
        Masked found = goingOut(tx, owner, terms, published);
        Stream<String> columns = IntStream.range(0, of.size())
                .boxed()
                .flatMap(i ->
                        found.columns().get(i).stream().map(published.get(i).definition()::columnTitle));
        return Stream.concat(columns, found.named().stream().map(name -> "“" + name + "”"))
                .distinct()
                .toList();
    }

    /**
     * What is to be masked in what others than the owner get; nothing where the house has no such rule.
     *
     * @param published the reports of the terms, in their order
     */
    public Masked masked(Tx tx, PersonId owner, Terms terms, List<Definitions.Published> published) {
        return rule(tx) == PersonalRule.MASK ? goingOut(tx, owner, terms, published) : nothing(published);
    }

    private static Masked nothing(List<Definitions.Published> published) {
        return new Masked(published.stream().map(each -> List.<String>of()).toList(), Set.of());
    }

    private Masked goingOut(Tx tx, PersonId owner, Terms terms, List<Definitions.Published> published) {
        boolean toOthers = terms.recipients().stream().anyMatch(id -> !id.equals(owner));
        boolean asOwner = toOthers && ownerView.asDone(tx, terms, published) == SeenAs.OWNER;
        if (!asOwner) {
            return nothing(published);
        }
        return new Masked(
                IntStream.range(0, published.size())
                        .mapToObj(i -> shown(tx, terms, terms.reports().get(i), published.get(i)))
                        .toList(),
                named(tx, terms, published));
    }

    /** Those in its letter and in the texts of its pages. */
    private Set<String> named(Tx tx, Terms terms, List<Definitions.Published> published) {
        Set<String> names = new TreeSet<>(terms.letterPattern().namedValues());
        for (int i = 0; i < published.size(); i++) {
            Definition definition = published.get(i).definition();
            terms.of(terms.reports().get(i)).stream()
                    .flatMap(content -> content.pagesIn(definition).stream())
                    .forEach(page -> names.addAll(page.namedValues()));
        }
        names.removeIf(name -> named.byName(tx, name)
                .map(KeptNamed::named)
                .filter(value -> isPersonal(tx, value))
                .isEmpty());
        return names;
    }

    private boolean isPersonal(Tx tx, NamedValue value) {
        return value.dataSet()
                .flatMap(id -> dataSets.find(tx, id))
                .filter(dataSet -> mindedIn(tx, dataSet).contains(value.column()))
                .isPresent();
    }

    /** The personal columns of a data set; none to be minded where all see the same rows. */
    private List<String> mindedIn(Tx tx, DataSet dataSet) {
        boolean same = dataSet.personal().isEmpty()
                || dataSets.rowRules(tx, dataSet.id()).isEmpty();
        return same ? List.of() : dataSet.personal();
    }

    private List<String> shown(Tx tx, Terms terms, ReportId report, Definitions.Published published) {
        List<String> personal = mindedIn(tx, published.dataSet());
        if (personal.isEmpty()) {
            return List.of();
        }
        Definition definition = published.definition();
        return terms.of(report).stream()
                .flatMap(content -> content.pagesIn(definition).stream())
                .map(page -> ShownColumns.of(definition, page, personal))
                .flatMap(Set::stream)
                .distinct()
                .sorted()
                .toList();
    }
}
