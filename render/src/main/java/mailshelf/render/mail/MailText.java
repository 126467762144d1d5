package mailshelf.render.mail;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import mailshelf.core.letter.Letter;
import mailshelf.core.report.Written;

/** The body as plain text, with columns set by spaces. */
final class MailText {
    private static final int WIDEST_COLUMN = 32;

    private final MailContent content;
    private final StringBuilder out = new StringBuilder(4096);

    private MailText(MailContent content) {
        this.content = content;
    }

    static String of(MailContent content) {
        return new MailText(content).write();
    }

    private String write() {
        Written.Page page = content.page();
        if (!content.letter().text().isEmpty()) {
            line(content.letter().text() + "\n");
        }
        Stream.of(content.reportLine(), page.title(), page.showing(), page.freshness())
                .filter(said -> !said.isEmpty())
                .forEach(this::line);
        page.each(this::figures, this::chart, this::table, this::text, this::section);
        if (!content.otherPages().isEmpty()) {
            String pages = content.words().list(content.otherPages());
            line("\n" + content.words().say(content.pdf() ? "mail.others-pdf" : "mail.others-shelf", pages));
        }
        colophon(content.letter());
        return out.toString();
    }

    private void figures(List<Written.Figure> figures) {
        line("");
        for (Written.Figure figure : figures) {
            String verdict = figure.verdictWords().isEmpty() ? "" : ", " + figure.verdictWords();
            line(figure.title() + ": " + figure.value() + " (" + figure.change() + verdict + ")");
        }
    }

    private void section(Written.Section section) {
        line("\n" + section.title() + "\n" + "-".repeat(section.title().length()));
        line(section.showing());
    }

    private void text(Written.Text text) {
        line("");
        Stream.of(text.title(), text.text()).filter(said -> !said.isEmpty()).forEach(this::line);
    }

    private void colophon(Letter letter) {
        line("\n-- ");
        line(letter.issueLine());
        line(letter.whyYou());
        line(content.words().say("mail.read-on-shelf") + ": " + letter.shelfUrl());
        line(content.words().say("mail.live-report") + ": " + letter.reportUrl());
        if (!letter.leaveUrl().isEmpty()) {
            line(content.words().say("mail.leave") + ": " + letter.leaveUrl());
        }
    }

    private void chart(Written.Chart chart) {
        if (chart.nothing().isEmpty()) {
            table(content.asTable(chart));
            note(content.cutNote(chart));
        } else {
            line("\n" + chart.title());
            line(chart.nothing());
        }
    }

    private void table(Written.Table table) {
        line("\n" + table.title());
        List<List<String>> rows = new ArrayList<>();
        rows.add(table.heads().stream().map(Written.Head::title).toList());
        table.rows().stream().limit(content.mostRows()).forEach(row -> rows.add(texts(row)));
        if (!table.total().isEmpty()) {
            rows.add(texts(table.total()));
        }
        int[] widths = new int[table.heads().size()];
        for (List<String> row : rows) {
            for (int i = 0; i < widths.length; i++) {
                widths[i] =
                        Math.min(WIDEST_COLUMN, Math.max(widths[i], row.get(i).length()));
            }
        }
        rows.forEach(row -> line(columns(table, row, widths)));
        if (table.rows().isEmpty()) {
            line(content.words().say("table.no-rows"));
        }
        Stream.of(content.cutNote(table), table.note()).forEach(this::note);
    }

    private void note(String note) {
        if (!note.isEmpty()) {
            line(note);
        }
    }

    private static List<String> texts(List<Written.Cell> cells) {
        return cells.stream().map(Written.Cell::text).toList();
    }

    private static String columns(Written.Table table, List<String> row, int[] widths) {
        StringBuilder line = new StringBuilder();
        for (int i = 0; i < widths.length; i++) {
            String text = row.get(i);
            String space = " ".repeat(Math.max(0, widths[i] - text.length()));
            line.append(table.heads().get(i).number() ? space + text : text + space)
                    .append("  ");
        }
        return line.toString().stripTrailing();
    }

    private void line(String text) {
        out.append(text).append('\n');
    }
}
