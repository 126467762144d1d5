package mailshelf.render.pdf;

import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import mailshelf.render.paper.Structure.Role;
import mailshelf.render.type.HouseFont;
import mailshelf.render.vector.Numbers;

/** Writes a document's structure into its PDF (PDF 32000-1 §14.7 and §14.8), and an outline of its headings (§12.3.3). */
final class PdfTags {
    private final PdfWriter out;
    private final List<PdfSink> sheets;
    private final Map<PdfSink, Integer> pages = new IdentityHashMap<>();
    private final Map<PdfStructure.Element, Integer> written = new IdentityHashMap<>();
    private final List<PdfStructure.Element> headings = new ArrayList<>();

    /** @param numbers of the sheets as objects */
    PdfTags(PdfWriter out, List<PdfSink> sheets, List<Integer> numbers) {
        this.out = out;
        this.sheets = sheets;
        for (int i = 0; i < sheets.size(); i++) {
            pages.put(sheets.get(i), numbers.get(i));
        }
    }

    /** Gives the entries of the catalog that lead to it. */
    String write(PdfStructure structure) {
        int root = out.reserve();
        int whole = out.reserve();
        List<Integer> parts = new ArrayList<>();
        structure.roots().forEach(each -> parts.add(write(each, whole)));
        out.object(whole, "<</S/Document/P " + PdfWriter.reference(root) + "/K" + PdfFile.references(parts) + ">>");
        out.object(
                root,
                "<</Type/StructTreeRoot/K " + PdfWriter.reference(whole) + "/ParentTree "
                        + PdfWriter.reference(parents()) + ">>");
        String marked = "/MarkInfo<</Marked true>>/StructTreeRoot " + PdfWriter.reference(root);
        return headings.size() < 2 ? marked : marked + "/Outlines " + PdfWriter.reference(outline());
    }

    private int write(PdfStructure.Element element, int parent) {
        int number = out.reserve();
        written.put(element, number);
        StringBuilder tag = new StringBuilder(96);
        tag.append("<</S/")
                .append(element.role().type())
                .append("/P ")
                .append(parent)
                .append(" 0 R");
        kids(element, number, tag);
        if (element.role() == Role.FIGURE) {
            tag.append("/Alt").append(PdfWriter.text(element.text()));
            element.area()
                    .filter(area -> !element.marks().isEmpty())
                    .ifPresent(area -> layout(area, element.marks().get(0).sheet(), tag));
        } else if (HouseFont.SANS.lacks(element.text())) {
            tag.append("/ActualText").append(PdfWriter.text(element.text()));
        }
        if (element.role() == Role.HEAD) {
            tag.append("/A<</O/Table/Scope/Column>>");
        }
        out.object(number, tag.append(">>"));
        if (element.role().isHeading() && !element.marks().isEmpty()) {
            headings.add(element);
        }
        return number;
    }

    private void kids(PdfStructure.Element element, int number, StringBuilder tag) {
        List<PdfStructure.Mark> marks = element.marks();
        if (!marks.isEmpty()) {
            tag.append("/Pg ").append(pages.get(marks.get(0).sheet())).append(" 0 R");
        }
        tag.append("/K[");
        element.elements().forEach(each -> tag.append(write(each, number)).append(" 0 R "));
        marks.forEach(mark -> kid(mark, marks.get(0).sheet(), tag));
        tag.append(']');
    }

    /** A part of the sheet that the element begins on by its number alone, of another sheet with that. */
    private void kid(PdfStructure.Mark mark, PdfSink first, StringBuilder tag) {
        if (mark.sheet() == first) {
            tag.append(mark.number()).append(' ');
        } else {
            tag.append("<</Type/MCR/MCID ")
                    .append(mark.number())
                    .append("/Pg ")
                    .append(pages.get(mark.sheet()))
                    .append(" 0 R>>");
        }
    }

    /** Where a drawing lies (§14.8.5.4.3). */
    private static void layout(Rectangle2D area, PdfSink sheet, StringBuilder tag) {
        tag.append("/A<</O/Layout/BBox[");
        Numbers.append(tag, area.getMinX()).append(' ');
        Numbers.append(tag, sheet.heightPt() - area.getMaxY()).append(' ');
        Numbers.append(tag, area.getMaxX()).append(' ');
        Numbers.append(tag, sheet.heightPt() - area.getMinY()).append("]>>");
    }

    /** From the marked parts of each sheet back to their elements (§14.7.4.4). */
    private int parents() {
        StringBuilder tree = new StringBuilder("<</Nums[");
        for (int i = 0; i < sheets.size(); i++) {
            tree.append(i).append('[');
            sheets.get(i)
                    .marked()
                    .forEach(element -> tree.append(written.get(element)).append(" 0 R "));
            tree.append(']');
        }
        return out.object(tree.append("]>>"));
    }

    /** Titles of pages, with the headings on each under it. */
    private int outline() {
        int root = out.reserve();
        List<List<PdfStructure.Element>> chapters = new ArrayList<>();
        for (PdfStructure.Element heading : headings) {
            if (chapters.isEmpty() || heading.role() == Role.TITLE) {
                chapters.add(new ArrayList<>());
            }
            chapters.get(chapters.size() - 1).add(heading);
        }
        List<Integer> numbers = chapters.stream().map(chapter -> out.reserve()).toList();
        for (int i = 0; i < chapters.size(); i++) {
            List<PdfStructure.Element> chapter = chapters.get(i);
            item(numbers, i, chapter.get(0), root, under(chapter.subList(1, chapter.size()), numbers.get(i)));
        }
        out.object(root, "<</Type/Outlines" + ends(numbers) + "/Count " + numbers.size() + ">>");
        return root;
    }

    private String under(List<PdfStructure.Element> headings, int parent) {
        if (headings.isEmpty()) {
            return "";
        }
        List<Integer> numbers = headings.stream().map(heading -> out.reserve()).toList();
        for (int i = 0; i < headings.size(); i++) {
            item(numbers, i, headings.get(i), parent, "");
        }
        return ends(numbers) + "/Count -" + numbers.size();
    }

    private static String ends(List<Integer> numbers) {
        return "/First " + PdfWriter.reference(numbers.get(0)) + "/Last "
                + PdfWriter.reference(numbers.get(numbers.size() - 1));
    }

    private void item(List<Integer> numbers, int at, PdfStructure.Element heading, int parent, String under) {
        String before = at == 0 ? "" : "/Prev " + PdfWriter.reference(numbers.get(at - 1));
        String after = at == numbers.size() - 1 ? "" : "/Next " + PdfWriter.reference(numbers.get(at + 1));
        int page = pages.get(heading.marks().get(0).sheet());
        out.object(
                numbers.get(at),
                "<</Title" + PdfWriter.text(heading.text()) + "/Parent " + PdfWriter.reference(parent) + before + after
                        + "/Dest[" + PdfWriter.reference(page) + "/XYZ null null null]" + under + ">>");
    }
}
