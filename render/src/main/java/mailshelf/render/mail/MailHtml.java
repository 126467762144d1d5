package mailshelf.render.mail;

import java.util.List;
import java.util.stream.Stream;
import mailshelf.core.letter.Letter;
import mailshelf.core.report.Written;
import mailshelf.render.html.Html;

/**
 * The body as HTML: one column of tables and inline styles, readable at 375 px, in the dark and with pictures blocked;
 * figures are text, and bars are cells.
 */
final class MailHtml {
    private static final String HEAD = """
            <!DOCTYPE html>
            <html lang="%s"><head><meta charset="utf-8">
            <meta name="viewport" content="width=device-width, initial-scale=1">
            <meta name="color-scheme" content="light dark"><meta name="supported-color-schemes" content="light dark">
            <style>
            @media (prefers-color-scheme: dark) {
              .b { background:#17211f !important; color:#efeadd !important }
              .p { background:#1f2b29 !important; color:#efeadd !important }
              .g { color:#b3b8b1 !important } .l { color:#a9bfe0 !important }
              .r { border-color:#3c4946 !important } .better { color:#7fc8b0 !important } .worse { color:#eb9a86 !important }
              .bar { background:#5da892 !important }
            }
            @media (max-width: 480px) {
              .f { display:block !important; width:auto !important } .p { padding:16px !important }
              .t th { display:none !important } .t tr { display:block !important; padding:6px 0 !important }
              .t td { display:inline-block !important; padding:0 12px 0 0 !important; border:0 !important; text-align:left !important }
              .t .k { display:block !important } .t .h { display:inline !important }
              .t tr { border-bottom:1px solid #DDD5C4 !important }
            }
            </style>
            """;

    static final String SANS = "font-family:'Source Sans 3','Segoe UI',Helvetica,Arial,sans-serif;";
    private static final String SERIF = "font-family:Fraunces,Georgia,'Times New Roman',serif;";
    /** A label without a space in it may be wider than a phone. */
    static final String LONG_WORDS = "overflow-wrap:break-word;";

    private static final String GREY =
            "class=\"g\" style=\"" + SANS + "font-size:14px;line-height:21px;color:#5F6866;margin:0\"";

    private final MailContent content;
    private final Html out = new Html();

    private MailHtml(MailContent content) {
        this.content = content;
    }

    static String of(MailContent content) {
        return new MailHtml(content).write();
    }

    private String write() {
        Written.Page page = content.page();
        out.raw(HEAD.formatted(content.words().locale().toLanguageTag()));
        out.element("title", "", page.title()).raw("</head>\n");
        out.raw("<body class=\"b\" style=\"margin:0;padding:0;background:#FBF8F1;color:#1D2B2A\">");
        out.raw(
                "<table role=\"presentation\" width=\"100%\" cellpadding=\"0\" cellspacing=\"0\"><tr><td align=\"center\" style=\"padding:16px\">");
        out.raw(
                "<table role=\"presentation\" width=\"640\" cellpadding=\"0\" cellspacing=\"0\" style=\"width:100%;max-width:640px;text-align:left\"><tr>"
                        + "<td class=\"p\" style=\"background:#ffffff;color:#1D2B2A;padding:28px;" + SANS + "\">");
        letter();
        note(content.reportLine());
        out.element(
                "h1",
                "style=\"" + SERIF + "font-size:24px;line-height:31px;font-weight:600;margin:0 0 4px\"",
                page.title());
        Stream.of(page.showing(), page.freshness()).forEach(this::note);
        if (!page.beginsWithFigures()) {
            picture();
        }
        page.each(this::figures, this::chart, this::table, this::text, this::section);
        otherPages();
        colophon();
        return out.raw("</td></tr></table></td></tr></table></body></html>\n").toString();
    }

    /** The words of its owner: a blank line parts paragraphs, any other end of a line is kept. */
    private void letter() {
        String text = content.letter().text();
        if (text.isEmpty()) {
            return;
        }
        for (String paragraph : text.split("\n\\s*\n")) {
            out.raw("<p style=\"" + SANS + "font-size:16px;line-height:24px;margin:0 0 12px;" + LONG_WORDS + "\">");
            String[] lines = paragraph.split("\n");
            for (int i = 0; i < lines.length; i++) {
                out.raw(i > 0 ? "<br>\n" : "").text(lines[i]);
            }
            out.raw("</p>\n");
        }
        out.raw("<div class=\"r\" style=\"border-top:1px solid #DDD5C4;margin:16px 0\"></div>\n");
    }

    private void figures(List<Written.Figure> figures) {
        out.raw(
                "<table role=\"presentation\" width=\"100%\" cellpadding=\"0\" cellspacing=\"0\" style=\"margin-top:16px\"><tr>\n");
        // two by two rather than one alone in a second line
        int inLine = figures.size() == 4 ? 2 : Math.min(3, figures.size());
        for (int i = 0; i < figures.size(); i++) {
            if (i > 0 && i % inLine == 0) {
                out.raw("</tr><tr>");
            }
            figure(figures.get(i), 100 / inLine);
        }
        out.raw("</tr></table>\n");
        if (content.page().beginsWithFigures()
                && figures.get(0).equals(content.page().figures().get(0))) {
            picture();
        }
    }

    private void figure(Written.Figure figure, int widthPercent) {
        out.raw("<td class=\"f\" valign=\"top\" style=\"width:" + widthPercent + "%;padding:8px 16px 8px 0\">");
        out.element("div", GREY, figure.title());
        out.element(
                "div",
                "style=\"" + SERIF + "font-size:32px;line-height:40px;font-weight:600;white-space:nowrap\"",
                figure.value());
        out.raw("<div " + GREY + ">").text(figure.change());
        if (!figure.verdictWords().isEmpty()) {
            out.raw(", ");
            out.element("span", verdict(figure.verdict()), figure.verdictWords());
        }
        out.raw("</div></td>\n");
    }

    static String verdict(Written.Verdict verdict) {
        return switch (verdict) {
            case BETTER -> "class=\"better\" style=\"color:#1F5C4D\"";
            case WORSE -> "class=\"worse\" style=\"color:#B4472E\"";
            case NEITHER -> "";
        };
    }

    private void picture() {
        if (!content.pictureId().isEmpty()) {
            out.raw("<img src=\"cid:")
                    .text(content.pictureId())
                    .raw("\" width=\"584\" alt=\"")
                    .text(content.words().say("mail.picture", content.page().title()))
                    .raw("\" style=\"width:100%;max-width:584px;height:auto;margin-top:16px;border:0\">");
        }
    }

    private void heading(String title) {
        if (!title.isEmpty()) {
            out.element(
                    "h2",
                    "style=\"" + SANS + "font-size:16px;line-height:24px;font-weight:600;margin:28px 0 4px\"",
                    title);
        }
    }

    private void chart(Written.Chart chart) {
        heading(chart.title());
        if (!chart.nothing().isEmpty()) {
            note(chart.nothing());
            return;
        }
        if (chart.series().size() > 1) {
            MailTable.write(content.asTable(chart), content.mostRows(), out);
        } else {
            bars(content.shownOf(chart));
        }
        note(content.cutNote(chart));
    }

    private void bars(Written.Chart chart) {
        Written.Series series = chart.series().get(0);
        double longest = series.values().stream()
                .mapToDouble(value -> value == null ? 0 : value)
                .max()
                .orElse(0);
        out.raw("<table width=\"100%\" cellpadding=\"0\" cellspacing=\"0\" style=\"" + SANS + "font-size:15px\">");
        for (int i = 0; i < chart.categories().size(); i++) {
            Double value = series.values().get(i);
            long width = value == null || longest <= 0 ? 0 : Math.round(Math.max(0, value) * 100 / longest);
            out.raw("<tr><th scope=\"row\" align=\"left\" style=\"font-weight:400;padding:3px 12px 3px 0;width:30%;"
                            + LONG_WORDS + "\">")
                    .text(chart.categories().get(i))
                    .raw("</th><td style=\"width:55%\"><div class=\"bar\" style=\"height:14px;background:#1F5C4D;width:"
                            + width + "%\"></div></td>")
                    .raw("<td align=\"right\" style=\"padding-left:8px;white-space:nowrap\">")
                    .text(series.written().get(i))
                    .raw("</td></tr>\n");
        }
        out.raw("</table>\n");
    }

    private void table(Written.Table table) {
        heading(table.title());
        MailTable.write(table, content.mostRows(), out);
        note(table.rows().isEmpty() ? content.words().say("table.no-rows") : content.cutNote(table));
        note(table.note());
    }

    private void note(String note) {
        if (!note.isEmpty()) {
            out.element("p", GREY, note);
        }
    }

    private void section(Written.Section section) {
        out.element(
                "h2",
                "class=\"r\" style=\"" + SERIF
                        + "font-size:19px;line-height:26px;font-weight:600;margin:28px 0 2px;padding-top:12px;"
                        + "border-top:1px solid #DDD5C4\"",
                section.title());
        out.element("p", GREY, section.showing());
    }

    private void text(Written.Text text) {
        heading(text.title());
        out.element("p", "style=\"" + SANS + "font-size:15px;line-height:23px;margin:8px 0 0\"", text.text());
    }

    private void otherPages() {
        if (!content.otherPages().isEmpty()) {
            String pages = content.words().list(content.otherPages());
            out.element(
                    "p",
                    GREY.replace("margin:0", "margin:24px 0 0"),
                    content.words().say(content.pdf() ? "mail.others-pdf" : "mail.others-shelf", pages));
        }
    }

    private void colophon() {
        Letter letter = content.letter();
        out.raw("<div class=\"r\" style=\"border-top:1px solid #DDD5C4;margin-top:28px;padding-top:12px\">\n");
        Stream.of(letter.issueLine(), letter.whyYou()).forEach(line -> out.element("p", GREY, line));
        out.raw("<p " + GREY + ">");
        out.link(letter.shelfUrl(), content.words().say("mail.read-on-shelf")).raw(" &#183;\n");
        out.link(letter.reportUrl(), content.words().say("mail.live-report"));
        if (!letter.leaveUrl().isEmpty()) {
            out.raw(" &#183;\n").link(letter.leaveUrl(), content.words().say("mail.leave"));
        }
        out.raw("</p></div>");
    }
}
