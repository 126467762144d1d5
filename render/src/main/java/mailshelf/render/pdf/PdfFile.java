package mailshelf.render.pdf;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.zip.Deflater;
import mailshelf.render.paper.Paper;
import mailshelf.render.paper.Structure;
import mailshelf.render.type.FontSubset;
import mailshelf.render.type.HouseFont;
import mailshelf.render.vector.Numbers;
import mailshelf.render.vector.VectorGraphics;

/** A PDF under construction: sheets to draw on, with what the marks on them are, then the bytes (PDF 32000-1). */
public final class PdfFile implements Paper {
    private static final DateTimeFormatter DATE =
            DateTimeFormatter.ofPattern("'D:'yyyyMMddHHmmss'Z'").withZone(ZoneOffset.UTC);

    private final List<PdfSink> sheets = new ArrayList<>();
    private final PdfStructure structure = new PdfStructure();

    /** A new sheet at the end. */
    @Override
    public VectorGraphics newSheet(double widthPt, double heightPt) {
        PdfSink sink = new PdfSink(widthPt, heightPt, structure);
        sheets.add(sink);
        return new VectorGraphics(sink);
    }

    @Override
    public Structure structure() {
        return structure;
    }

    /**
     * The finished file; equal drawings give equal bytes.
     *
     * @param made for the document's dates and identity
     */
    public byte[] bytes(String title, String language, Instant made) {
        PdfWriter out = new PdfWriter();
        Map<HouseFont, FontSubset> fonts = fonts();
        String resources = "<</Font" + PdfFonts.into(out, fonts) + ">>";
        int pages = out.reserve();
        List<Integer> numbers = new ArrayList<>();
        for (PdfSink sheet : sheets) {
            numbers.add(page(out, sheet, pages, numbers.size(), resources, fonts));
        }
        out.object(pages, "<</Type/Pages/Count " + numbers.size() + "/Kids" + references(numbers) + ">>");
        int metadata = out.stream("/Type/Metadata/Subtype/XML", PdfMetadata.of(title, language, made));
        String tags = new PdfTags(out, sheets, numbers).write(structure);
        int catalog = out.object("<</Type/Catalog/Pages " + PdfWriter.reference(pages)
                + "/Lang" + PdfWriter.text(language)
                + "/Metadata " + PdfWriter.reference(metadata)
                + "/ViewerPreferences<</DisplayDocTitle true>>"
                + tags + ">>");
        int info = out.object(
                "<</Title" + PdfWriter.text(title) + "/Creator(Mail Shelf)/CreationDate(" + DATE.format(made) + ")>>");
        String id = id(title, made);
        return out.finish("/Root " + PdfWriter.reference(catalog) + "/Info " + PdfWriter.reference(info) + "/ID[<" + id
                + "><" + id + ">]");
    }

    /** @param place among the sheets, by which its marks are found */
    private static int page(
            PdfWriter out, PdfSink sheet, int pages, int place, String resources, Map<HouseFont, FontSubset> fonts) {
        int content = out.deflated("", FontSubset.deflate(sheet.content(fonts), Deflater.BEST_SPEED));
        StringBuilder box = new StringBuilder("[0 0 ");
        Numbers.append(box, sheet.widthPt()).append(' ');
        Numbers.append(box, sheet.heightPt()).append(']');
        return out.object("<</Type/Page/Parent " + PdfWriter.reference(pages)
                + "/MediaBox" + box
                + "/Resources" + resources
                + "/Contents " + PdfWriter.reference(content)
                + "/StructParents " + place
                + "/Tabs/S>>");
    }

    private static String id(String title, Instant made) {
        byte[] told = (title + made).getBytes(StandardCharsets.UTF_8);
        return UUID.nameUUIDFromBytes(told).toString().replace("-", "");
    }

    static String references(List<Integer> numbers) {
        StringBuilder all = new StringBuilder("[");
        numbers.forEach(number -> all.append(number).append(" 0 R "));
        return all.append(']').toString();
    }

    private Map<HouseFont, FontSubset> fonts() {
        Map<HouseFont, BitSet> used = new EnumMap<>(HouseFont.class);
        for (PdfSink sheet : sheets) {
            sheet.characters()
                    .forEach((face, characters) ->
                            used.computeIfAbsent(face, f -> new BitSet()).or(characters));
        }
        Map<HouseFont, FontSubset> fonts = new EnumMap<>(HouseFont.class);
        used.forEach((face, characters) -> fonts.put(face, FontSubset.covering(face, characters)));
        return fonts;
    }
}
