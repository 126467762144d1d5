package mailshelf.render.pdf;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.zip.Deflater;
import mailshelf.render.type.FontSubset;

/**
 * Writes the objects of a PDF: small ones together in object streams, and where each is in a cross-reference stream (PDF
 * 32000-1 §7.5.7 and §7.5.8). A tagged document has an object for every cell, which makes this most of the work of a file.
 */
final class PdfWriter {
    private static final int OBJECTS_A_STREAM = 200;

    private final ByteArrayOutputStream out = new ByteArrayOutputStream(100_000);

    /** By object number, of which 0 is none: in itself, or in which object stream and where there. */
    private final List<Place> places = new ArrayList<>();

    private final StringBuilder small = new StringBuilder(32_768);
    private final List<int[]> smallOnes = new ArrayList<>();

    /** @param within number of the object stream; 0 for one that begins at an offset of the file */
    private record Place(int within, int at) {}

    PdfWriter() {
        places.add(new Place(0, 0));
        ascii("%PDF-1.7\n%\u00e2\u00e3\u00cf\u00d3\n");
    }

    private void ascii(CharSequence text) {
        out.writeBytes(text.toString().getBytes(StandardCharsets.ISO_8859_1));
    }

    /** The number of an object that is to follow. */
    int reserve() {
        places.add(null);
        return places.size() - 1;
    }

    /** Writes an object that is no stream. */
    void object(int number, CharSequence value) {
        smallOnes.add(new int[] {number, small.length()});
        small.append(value).append('\n');
        if (smallOnes.size() == OBJECTS_A_STREAM) {
            writeSmallOnes();
        }
    }

    int object(CharSequence value) {
        int number = reserve();
        object(number, value);
        return number;
    }

    /** Writes bytes that are deflated already. */
    int deflated(String entries, byte[] content) {
        return stream(entries + "/Filter/FlateDecode", content);
    }

    /** @param entries of its dictionary, besides its length */
    int stream(String entries, byte[] content) {
        int number = reserve();
        stream(number, entries, content);
        return number;
    }

    private void stream(int number, String entries, byte[] content) {
        places.set(number, new Place(0, out.size()));
        ascii(number + " 0 obj\n<<" + entries + "/Length " + content.length + ">>\nstream\n");
        out.writeBytes(content);
        ascii("\nendstream\nendobj\n");
    }

    private void writeSmallOnes() {
        if (smallOnes.isEmpty()) {
            return;
        }
        int stream = reserve();
        StringBuilder index = new StringBuilder();
        for (int i = 0; i < smallOnes.size(); i++) {
            places.set(smallOnes.get(i)[0], new Place(stream, i));
            index.append(smallOnes.get(i)[0])
                    .append(' ')
                    .append(smallOnes.get(i)[1])
                    .append(' ');
        }
        String entries = "/Type/ObjStm/N " + smallOnes.size() + "/First " + index.length() + "/Filter/FlateDecode";
        byte[] content = index.append(small).toString().getBytes(StandardCharsets.ISO_8859_1);
        stream(stream, entries, FontSubset.deflate(content, Deflater.BEST_SPEED));
        small.setLength(0);
        smallOnes.clear();
    }

    /** @param entries of the trailer: at least the catalog as {@code Root} */
    byte[] finish(String entries) {
        writeSmallOnes();
        int table = reserve();
        int start = out.size();
        places.set(table, new Place(0, start));
        ByteArrayOutputStream rows = new ByteArrayOutputStream(places.size() * 7);
        for (int number = 0; number < places.size(); number++) {
            Place place = places.get(number);
            boolean isWithin = place.within() != 0;
            rows.write(number == 0 ? 0 : isWithin ? 2 : 1);
            bytes(isWithin ? place.within() : place.at(), 4, rows);
            bytes(isWithin ? place.at() : 0, 2, rows);
        }
        String own = "/Type/XRef/W[1 4 2]/Size " + places.size() + "/Filter/FlateDecode" + entries;
        stream(table, own, FontSubset.deflate(rows.toByteArray(), Deflater.BEST_SPEED));
        ascii("startxref\n" + start + "\n%%EOF\n");
        return out.toByteArray();
    }

    private static void bytes(int value, int width, ByteArrayOutputStream into) {
        for (int shift = 8 * (width - 1); shift >= 0; shift -= 8) {
            into.write(value >> shift);
        }
    }

    static String reference(int number) {
        return number + " 0 R";
    }

    /** A text string (§7.9.2.2): as it is where that can be, and otherwise in UTF-16. */
    static String text(String text) {
        StringBuilder written = new StringBuilder(4 * text.length() + 8).append('(');
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c < ' ' || c > '~') {
                return utf16(text);
            }
            if (c == '(' || c == ')' || c == '\\') {
                written.append('\\');
            }
            written.append(c);
        }
        return written.append(')').toString();
    }

    private static String utf16(String text) {
        byte[] units = text.getBytes(StandardCharsets.UTF_16BE);
        return "<FEFF" + HexFormat.of().withUpperCase().formatHex(units) + ">";
    }
}
