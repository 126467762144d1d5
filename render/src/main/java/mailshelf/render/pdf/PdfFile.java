package mailshelf.render.pdf;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.EnumMap;
import java.util.GregorianCalendar;
import java.util.List;
import java.util.Map;
import java.util.zip.Deflater;
import mailshelf.render.type.FontSubset;
import mailshelf.render.type.HouseFont;
import mailshelf.render.vector.VectorGraphics;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/**
 * A PDF under construction: sheets to draw on, then the bytes. PDFBox writes the document's objects; content streams
 * and fonts are our own, since fonts are cut down and packed once for all files instead of anew in each.
 */
public final class PdfFile {
    private final List<PdfSink> sheets = new ArrayList<>();
    private final double widthPt;
    private final double heightPt;

    public PdfFile(double widthPt, double heightPt) {
        this.widthPt = widthPt;
        this.heightPt = heightPt;
    }

    /** A new sheet at the end, to be drawn on in points with y growing downwards. */
    public VectorGraphics newSheet() {
        PdfSink sink = new PdfSink(heightPt);
        sheets.add(sink);
        return new VectorGraphics(sink);
    }

    /**
     * The finished file; equal drawings give equal bytes.
     *
     * @param made for the document's dates and identity
     */
    public byte[] bytes(String title, String language, Instant made) {
        try (PDDocument document = new PDDocument()) {
            document.setDocumentId(made.toEpochMilli());
            document.getDocumentInformation().setTitle(title);
            document.getDocumentInformation().setCreator("Mail Shelf");
            document.getDocumentInformation().setCreationDate(GregorianCalendar.from(made.atZone(ZoneOffset.UTC)));
            document.getDocumentCatalog().setLanguage(language);
            Map<HouseFont, FontSubset> fonts = fonts();
            COSDictionary resources = new COSDictionary();
            resources.setItem(COSName.FONT, fontResources(fonts));
            for (PdfSink sheet : sheets) {
                PDPage page = new PDPage(new PDRectangle((float) widthPt, (float) heightPt));
                page.getCOSObject().setItem(COSName.RESOURCES, resources);
                byte[] content = sheet.content(fonts);
                page.getCOSObject().setItem(COSName.CONTENTS, packed(FontSubset.deflate(content, Deflater.BEST_SPEED)));
                document.addPage(page);
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream(100_000);
            document.save(out, CompressParameters.NO_COMPRESSION);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
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

    private static COSDictionary fontResources(Map<HouseFont, FontSubset> fonts) throws IOException {
        COSDictionary resources = new COSDictionary();
        for (Map.Entry<HouseFont, FontSubset> entry : fonts.entrySet()) {
            resources.setItem(COSName.getPDFName(PdfSink.resourceName(entry.getKey())), font(entry.getValue()));
        }
        return resources;
    }

    /** A composite font whose codes are glyph numbers (PDF 32000-1 §9.7, Identity-H). */
    private static COSDictionary font(FontSubset subset) throws IOException {
        COSDictionary font = named(COSName.FONT, COSName.TYPE0, subset);
        font.setItem(COSName.ENCODING, COSName.IDENTITY_H);
        COSArray descendants = new COSArray();
        descendants.add(descendant(subset));
        font.setItem(COSName.DESCENDANT_FONTS, descendants);
        font.setItem(COSName.TO_UNICODE, packed(subset.packedToUnicode()));
        return font;
    }

    private static COSDictionary descendant(FontSubset subset) throws IOException {
        COSDictionary font = named(COSName.FONT, COSName.CID_FONT_TYPE2, subset);
        COSDictionary system = new COSDictionary();
        system.setItem(COSName.REGISTRY, new COSString("Adobe"));
        system.setItem(COSName.ORDERING, new COSString("Identity"));
        system.setInt(COSName.SUPPLEMENT, 0);
        font.setItem(COSName.CIDSYSTEMINFO, system);
        font.setItem(COSName.CID_TO_GID_MAP, COSName.IDENTITY);
        COSArray widths = new COSArray();
        for (int width : subset.widthsPerMille()) {
            widths.add(COSInteger.get(width));
        }
        COSArray fromZero = new COSArray();
        fromZero.add(COSInteger.ZERO);
        fromZero.add(widths);
        font.setItem(COSName.W, fromZero);
        font.setItem(COSName.FONT_DESC, descriptor(subset));
        return font;
    }

    private static COSDictionary descriptor(FontSubset subset) throws IOException {
        COSDictionary descriptor = new COSDictionary();
        descriptor.setItem(COSName.TYPE, COSName.FONT_DESC);
        descriptor.setName(COSName.FONT_NAME, subset.postScriptName());
        descriptor.setInt(COSName.FLAGS, 4);
        descriptor.setItem(COSName.FONT_BBOX, new PDRectangle(-500, -400, 2000, 1500).getCOSArray());
        descriptor.setInt(COSName.ITALIC_ANGLE, 0);
        descriptor.setInt(COSName.ASCENT, 980);
        descriptor.setInt(COSName.DESCENT, -270);
        descriptor.setInt(COSName.CAP_HEIGHT, 660);
        descriptor.setInt(COSName.STEM_V, 80);
        COSStream file = packed(subset.packedFile());
        file.setInt(COSName.LENGTH1, subset.unpackedLength());
        descriptor.setItem(COSName.FONT_FILE2, file);
        return descriptor;
    }

    private static COSDictionary named(COSName type, COSName subtype, FontSubset subset) {
        COSDictionary font = new COSDictionary();
        font.setItem(COSName.TYPE, type);
        font.setItem(COSName.SUBTYPE, subtype);
        font.setName(COSName.BASE_FONT, subset.postScriptName());
        return font;
    }

    private static COSStream packed(byte[] deflated) throws IOException {
        COSStream stream = new COSStream();
        try (OutputStream out = stream.createRawOutputStream()) {
            out.write(deflated);
        }
        stream.setItem(COSName.FILTER, COSName.FLATE_DECODE);
        return stream;
    }
}
