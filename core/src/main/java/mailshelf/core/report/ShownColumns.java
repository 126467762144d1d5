package mailshelf.core.report;

import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import mailshelf.core.data.Filter;

/** Which columns can be read off a page: whose values it shows, groups by, chooses rows by, or makes figures from. */
public final class ShownColumns {
    private ShownColumns() {}

    /**
     * Those of some columns that a page shows, or shows what is computed from them.
     *
     * @param page of the definition, or some blocks of one
     * @return names, in order
     */
    public static Set<String> of(Definition definition, Definition.Page page, Collection<String> some) {
        Set<String> found = new TreeSet<>();
        for (String column : some) {
            Set<String> derived = definition.derivedFrom(List.of(column));
            if (page.blocks().stream().flatMap(ShownColumns::of).anyMatch(derived::contains)) {
                found.add(column);
            }
        }
        return found;
    }

    private static Stream<String> of(Block block) {
        if (block instanceof Block.RowTable rows) {
            return Stream.concat(rows.columns().stream(), rows.where().stream().map(Filter::column));
        }
        if (block instanceof Block.GroupTable grouped) {
            return Stream.concat(
                    grouped.by().stream(),
                    grouped.measures().stream().flatMap(shown -> shown.measure().columns().stream()));
        }
        if (block instanceof Block.Chart chart) {
            return Stream.of(chart.by().stream(), chart.split().stream(), chart.measure().columns().stream())
                    .flatMap(each -> each);
        }
        if (block instanceof Block.Figure figure) {
            return figure.measure().columns().stream();
        }
        return ((Block.Text) block).fields().stream().flatMap(field -> field.measure().columns().stream());
    }
}
