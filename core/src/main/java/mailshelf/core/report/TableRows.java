package mailshelf.core.report;

import java.util.AbstractList;
import java.util.List;
import java.util.Optional;
import java.util.RandomAccess;
import java.util.Set;
import mailshelf.core.data.Column;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Table;
import mailshelf.core.report.PageModel.ColumnModel;
import mailshelf.core.report.PageModel.TableModel;

/** Rows of the data as the rows of a table, each made when it is asked for: there may be a million. */
public final class TableRows extends AbstractList<List<String>> implements RandomAccess {
    private final Table table;
    private final List<String> columns;
    private final Set<String> masked;
    private final int[] rows;

    private TableRows(Table table, List<String> columns, Set<String> masked, int[] rows) {
        this.table = table;
        this.columns = columns;
        this.masked = masked;
        this.rows = rows;
    }

    /**
     * @param block what says which of their values are emphasised
     * @param table with the columns that the report computes
     * @param columns by name
     * @param masked those whose values are not shown
     * @param rows row numbers, in the order that they are shown in
     */
    public static TableModel model(
            Block.RowTable block,
            Definition definition,
            Table table,
            List<String> columns,
            Set<String> masked,
            int[] rows) {
        List<ColumnModel> heads = columns.stream()
                .map(name -> head(definition, table.column(name), block.limits().get(name)))
                .toList();
        return new TableModel(
                block.id(),
                block.title(),
                heads,
                Optional.of((long) rows.length),
                new TableRows(table, columns, masked, rows),
                List.of(),
                List.of());
    }

    private static ColumnModel head(Definition definition, Column column, Limit limit) {
        Format format = new Format("", column.decimals(), Good.NEITHER);
        return new ColumnModel(
                definition.columnTitle(column.name()),
                column.type(),
                format,
                false,
                Shown.VALUE,
                Optional.ofNullable(limit));
    }

    @Override
    public List<String> get(int index) {
        int row = rows[index];
        return columns.stream()
                .map(column -> masked.contains(column) ? mask(column, row) : table.raw(column, row))
                .toList();
    }

    /** Only a text can say that it is masked; numbers, days and times are left out. */
    private String mask(String column, int row) {
        boolean isText = table.column(column).type() == ColumnType.TEXT;
        return isText && !table.raw(column, row).isEmpty() ? Slice.MASK : "";
    }

    @Override
    public int size() {
        return rows.length;
    }
}
