package mailshelf.server.personal;

import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import mailshelf.core.data.PersonalRule;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportId;
import mailshelf.core.report.ShownColumns;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.Terms;
import mailshelf.server.library.Definitions;
import mailshelf.store.SettingStore;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSetStore;
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

    PersonalColumns(SettingStore settings, DataSetStore dataSets, Definitions definitions) {
        this.settings = settings;
        this.dataSets = dataSets;
        this.definitions = definitions;
    }

    public PersonalRule rule(Tx tx) {
        return settings.find(tx, SETTING).map(PersonalRule::valueOf).orElse(PersonalRule.WARN);
    }

    void rule(Tx tx, PersonalRule rule) {
        settings.put(tx, SETTING, rule.name());
    }

    /** Those that go out, by their titles; none where nobody but the owner gets it. */
    public List<String> goingOut(Tx tx, PersonId owner, Terms terms) {
        List<ReportId> of = terms.reports();
        List<Definitions.Published> published =
                of.stream().map(report -> definitions.newest(tx, report)).toList();
        List<List<String>> found = goingOut(tx, owner, terms, published);
        return IntStream.range(0, of.size())
                .boxed()
                .flatMap(i -> found.get(i).stream().map(published.get(i).definition()::columnTitle))
                .distinct()
                .toList();
    }

    /**
     * The columns to be masked in what others than the owner get, by report; none where the house has no such rule.
     *
     * @param published the reports of the terms, in their order
     */
    public List<List<String>> masked(Tx tx, PersonId owner, Terms terms, List<Definitions.Published> published) {
        return rule(tx) == PersonalRule.MASK
                ? goingOut(tx, owner, terms, published)
                : published.stream().map(each -> List.<String>of()).toList();
    }

    private List<List<String>> goingOut(Tx tx, PersonId owner, Terms terms, List<Definitions.Published> published) {
        boolean ownerView = published.stream().allMatch(each -> each.dataSet().ownerView());
        boolean toOthers = terms.recipients().stream().anyMatch(id -> !id.equals(owner));
        boolean asOwner = toOthers && terms.seenAs(ownerView) == SeenAs.OWNER;
        return IntStream.range(0, published.size())
                .mapToObj(i -> asOwner ? shown(tx, terms, terms.reports().get(i), published.get(i)) : List.<String>of())
                .toList();
    }

    private List<String> shown(Tx tx, Terms terms, ReportId report, Definitions.Published published) {
        List<String> personal = published.dataSet().personal();
        if (personal.isEmpty()
                || dataSets.rowRules(tx, published.dataSet().id()).isEmpty()) {
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
