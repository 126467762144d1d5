package mailshelf.render.paper;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import mailshelf.core.report.Written;
import mailshelf.render.type.HouseFont;

/**
 * Columns of a table that stand side by side on a sheet, and how wide. A number or a day is never cut: what does not fit
 * goes to a further band, which repeats the first column.
 *
 * @param columns their places in the table
 * @param widths in points, one for each
 */
record Band(List<Integer> columns, List<Double> widths) {
    static final double GAP = 16;

    /** Narrower than this no text is set that is wider. */
    private static final double NARROWEST_TEXT = 70;

    /** Wider than this a single word is broken. */
    private static final double LONGEST_WORD = 110;

    /**
     * What a column takes.
     *
     * @param least without cutting what must stay whole
     * @param most on one line
     */
    private record Need(double least, double most) {}

    /** All columns of a table, in as few bands as the width allows. */
    static List<Band> of(Written.Table table, double width) {
        List<Need> needs = IntStream.range(0, table.heads().size())
                .mapToObj(column -> need(table, column))
                .toList();
        List<Band> bands = new ArrayList<>();
        List<Integer> columns = new ArrayList<>();
        for (int column = 0; column < needs.size(); column++) {
            columns.add(column);
            if (columns.size() > 1 && least(needs, columns) > width && !isFirstAlone(columns, bands)) {
                columns.remove(columns.size() - 1);
                bands.add(band(needs, columns, width));
                columns = new ArrayList<>(List.of(0, column));
            }
        }
        bands.add(band(needs, columns, width));
        return List.copyOf(bands);
    }

    /** A band that repeats the first column has to bring another, however wide. */
    private static boolean isFirstAlone(List<Integer> columns, List<Band> before) {
        return !before.isEmpty() && columns.size() == 2;
    }

    private static double least(List<Need> needs, List<Integer> columns) {
        return columns.stream().mapToDouble(column -> needs.get(column).least()).sum() + GAP * (columns.size() - 1);
    }

    /** Each as wide as it needs; room left over goes by share, and what lacks is taken from texts that can be broken. */
    private static Band band(List<Need> needs, List<Integer> columns, double width) {
        double room = width - GAP * (columns.size() - 1);
        double[] least = columns.stream()
                .mapToDouble(column -> needs.get(column).least())
                .toArray();
        double[] most =
                columns.stream().mapToDouble(column -> needs.get(column).most()).toArray();
        double leastOfAll = Arrays.stream(least).sum();
        double mostOfAll = Arrays.stream(most).sum();
        return new Band(
                List.copyOf(columns),
                IntStream.range(0, columns.size())
                        .mapToObj(i -> {
                            if (mostOfAll == 0) {
                                return room / columns.size();
                            }
                            if (mostOfAll <= room) {
                                return most[i] * room / mostOfAll;
                            }
                            if (leastOfAll >= room) {
                                return least[i] * room / leastOfAll;
                            }
                            return least[i] + (most[i] - least[i]) * (room - leastOfAll) / (mostOfAll - leastOfAll);
                        })
                        .toList());
    }

    /** Of all rows: one that is left out is the one that is cut. */
    private static Need need(Written.Table table, int column) {
        Written.Head head = table.heads().get(column);
        double least = widestWord(HouseFont.SANS, head.title(), TableSetter.HEAD_SIZE);
        double most = HouseFont.SANS.width(head.title(), TableSetter.HEAD_SIZE);
        for (List<Written.Cell> row : table.rows()) {
            String text = row.get(column).text();
            double width = HouseFont.SANS_BOLD.width(text, TableSetter.SIZE);
            most = Math.max(most, width);
            if (width > least) {
                least = Math.max(least, head.wraps() ? leastOfText(text, width) : width);
            }
        }
        if (!table.total().isEmpty()) {
            double width = HouseFont.SANS_BOLD.width(table.total().get(column).text(), TableSetter.SIZE);
            most = Math.max(most, width);
            least = Math.max(
                    least, head.wraps() ? leastOfText(table.total().get(column).text(), width) : width);
        }
        return new Need(least, most);
    }

    private static double leastOfText(String text, double width) {
        return Math.min(width, Math.max(NARROWEST_TEXT, widestWord(HouseFont.SANS_BOLD, text, TableSetter.SIZE)));
    }

    private static double widestWord(HouseFont face, String text, float size) {
        double widest = 0;
        for (int from = 0; from < text.length(); ) {
            int space = text.indexOf(' ', from);
            int to = space < 0 ? text.length() : space;
            widest = Math.max(widest, face.width(text.substring(from, to), size));
            from = to + 1;
        }
        return Math.min(widest, LONGEST_WORD);
    }
}
