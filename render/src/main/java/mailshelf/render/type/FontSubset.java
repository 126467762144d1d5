package mailshelf.render.type;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import org.apache.fontbox.ttf.TTFSubsetter;

/**
 * The part of a face that a file carries, packed once and shared by all files whose texts it covers: whole rows of 128
 * characters, so that there are few of them whatever names occur. Immutable.
 */
public final class FontSubset {
    private static final int ROW = 128;

    /** Latin, punctuation and arithmetic signs, which nearly every file needs. */
    private static final List<Integer> ALWAYS = List.of(0, 0x80, 0x2000, 0x2200);

    private static final List<String> TABLES =
            List.of("head", "hhea", "loca", "maxp", "cvt ", "prep", "glyf", "hmtx", "fpgm", "gasp");
    private static final Map<Key, FontSubset> MADE = new ConcurrentHashMap<>();

    private final HouseFont face;
    /** By character; as long as the last one needs. */
    private final int[] glyphs;

    private final int[] widthsPerMille;
    private final byte[] packedFile;
    private final int unpackedLength;
    private final byte[] packedToUnicode;

    /** @param rows by their first characters */
    private record Key(HouseFont face, Set<Integer> rows) {}

    private FontSubset(HouseFont face, Set<Integer> rows) {
        this.face = face;
        int[] characters = rows.stream()
                .flatMapToInt(first -> IntStream.range(first, first + ROW))
                .filter(character -> face.glyph(character) != 0)
                .toArray();
        glyphs = new int[Collections.max(rows) + ROW];
        try {
            TTFSubsetter subsetter = new TTFSubsetter(face.trueType(), TABLES);
            IntStream.of(characters).forEach(subsetter::add);
            Map<Integer, Integer> oldOfNew = subsetter.getGIDMap();
            Map<Integer, Integer> newOfOld = new HashMap<>();
            oldOfNew.forEach((fresh, old) -> newOfOld.put(old, fresh));
            IntStream.of(characters).forEach(character -> glyphs[character] = newOfOld.get(face.glyph(character)));
            ByteArrayOutputStream file = new ByteArrayOutputStream();
            subsetter.writeToStream(file);
            packedFile = deflate(file.toByteArray(), Deflater.BEST_COMPRESSION);
            unpackedLength = file.size();
            widthsPerMille = IntStream.range(0, oldOfNew.size())
                    .map(fresh -> Math.round(face.advance(oldOfNew.get(fresh)) * 1000 / face.perEm()))
                    .toArray();
            packedToUnicode = deflate(toUnicode().getBytes(StandardCharsets.US_ASCII), Deflater.BEST_COMPRESSION);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** One that covers the texts' characters, as far as the face has them. */
    public static FontSubset covering(HouseFont face, BitSet characters) {
        Set<Integer> rows = new HashSet<>(ALWAYS);
        characters.stream()
                .filter(character -> face.glyph(character) != 0)
                .forEach(character -> rows.add(character / ROW * ROW));
        return MADE.computeIfAbsent(new Key(face, rows), key -> new FontSubset(key.face(), key.rows()));
    }

    /** Glyph number in the packed file; 0 (the empty box) for a character that the face lacks. */
    public int glyph(int character) {
        return character < glyphs.length ? glyphs[character] : 0;
    }

    public String postScriptName() {
        return "MSHELF+" + face.postScriptName();
    }

    /** Advance widths by glyph, in thousandths of an em. */
    public int[] widthsPerMille() {
        return widthsPerMille.clone();
    }

    /** The TrueType file, deflated. */
    public byte[] packedFile() {
        return packedFile.clone();
    }

    public int unpackedLength() {
        return unpackedLength;
    }

    /** The map from glyphs back to characters (PDF 32000-1 §9.10.3), deflated, so that text can be found and copied. */
    public byte[] packedToUnicode() {
        return packedToUnicode.clone();
    }

    private String toUnicode() {
        Map<Integer, Integer> characterOfGlyph = new TreeMap<>();
        for (int character = 0; character < glyphs.length; character++) {
            if (glyphs[character] != 0) {
                characterOfGlyph.putIfAbsent(glyphs[character], character);
            }
        }
        StringBuilder map = new StringBuilder("/CIDInit /ProcSet findresource begin 12 dict begin begincmap\n"
                + "/CMapName /Mail-Shelf def /CMapType 2 def\n"
                + "1 begincodespacerange <0000> <FFFF> endcodespacerange\n");
        List<Map.Entry<Integer, Integer>> entries = List.copyOf(characterOfGlyph.entrySet());
        for (int from = 0; from < entries.size(); from += 100) {
            List<Map.Entry<Integer, Integer>> some = entries.subList(from, Math.min(from + 100, entries.size()));
            map.append(some.size()).append(" beginbfchar\n");
            some.forEach(entry -> map.append(String.format("<%04X> <%s>%n", entry.getKey(), utf16(entry.getValue()))));
            map.append("endbfchar\n");
        }
        return map.append("endcmap CMapName currentdict /CMap defineresource pop end end\n")
                .toString();
    }

    private static String utf16(int character) {
        StringBuilder hex = new StringBuilder();
        for (char unit : Character.toChars(character)) {
            hex.append(String.format("%04X", (int) unit));
        }
        return hex.toString();
    }

    /** Packs bytes as a PDF's FlateDecode filter expects them. */
    public static byte[] deflate(byte[] content, int level) {
        ByteArrayOutputStream packed = new ByteArrayOutputStream(content.length / 2 + 64);
        Deflater deflater = new Deflater(level);
        try (DeflaterOutputStream out = new DeflaterOutputStream(packed, deflater)) {
            out.write(content);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            deflater.end();
        }
        return packed.toByteArray();
    }
}
