package mailshelf.render.pdf;

import java.util.Map;
import mailshelf.render.type.FontSubset;
import mailshelf.render.type.HouseFont;

/** Puts fonts into a PDF, as composite ones whose codes are glyph numbers (PDF 32000-1 §9.7, Identity-H). */
final class PdfFonts {
    private PdfFonts() {}

    /** Writes them; gives a dictionary of them by the names that content streams call them by. */
    static String into(PdfWriter out, Map<HouseFont, FontSubset> fonts) {
        StringBuilder resources = new StringBuilder("<<");
        fonts.forEach((face, subset) -> resources
                .append('/')
                .append(PdfSink.resourceName(face))
                .append(' ')
                .append(PdfWriter.reference(font(out, subset))));
        return resources.append(">>").toString();
    }

    private static int font(PdfWriter out, FontSubset subset) {
        int unicode = out.deflated("", subset.packedToUnicode());
        return out.object("<</Type/Font/Subtype/Type0/BaseFont/" + subset.postScriptName()
                + "/Encoding/Identity-H/DescendantFonts[" + PdfWriter.reference(descendant(out, subset))
                + "]/ToUnicode " + PdfWriter.reference(unicode) + ">>");
    }

    private static int descendant(PdfWriter out, FontSubset subset) {
        StringBuilder widths = new StringBuilder();
        for (int width : subset.widthsPerMille()) {
            widths.append(width).append(' ');
        }
        return out.object("<</Type/Font/Subtype/CIDFontType2/BaseFont/" + subset.postScriptName()
                + "/CIDSystemInfo<</Registry(Adobe)/Ordering(Identity)/Supplement 0>>/CIDToGIDMap/Identity/W[0["
                + widths + "]]/FontDescriptor " + PdfWriter.reference(descriptor(out, subset)) + ">>");
    }

    private static int descriptor(PdfWriter out, FontSubset subset) {
        int file = out.deflated("/Length1 " + subset.unpackedLength(), subset.packedFile());
        return out.object("<</Type/FontDescriptor/FontName/" + subset.postScriptName()
                + "/Flags 4/FontBBox[-500 -400 2000 1500]/ItalicAngle 0/Ascent 980/Descent -270/CapHeight 660/StemV 80"
                + "/FontFile2 " + PdfWriter.reference(file) + ">>");
    }
}
