package mailshelf.render.type;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import org.apache.fontbox.ttf.TTFSubsetter;

/**
 * The part of a face that a file carries, packed once and shared by all files whose texts it covers: Latin with its
 * extensions, punctuation and arithmetic signs, and whatever else a file's texts need. Immutable.
 */
public final class FontSubset {
    private static final SortedSet<Integer> ALWAYS = always();
    private static final List<String> TABLES =
            List.of("head", "hhea", "loca", "maxp", "cvt ", "prep", "glyf", "hmtx", "fpgm", "gasp");
    private static final Map<Key, FontSubset> MADE = new ConcurrentHashMap<>();

    private final HouseFont face;
    private final Map<Integer, Integer> glyphOfCharacter = new HashMap<>();
    private final int[] widthsPerMille;
    private final byte[] packedFile;
    private final int unpackedLength;
    private final byte[] packedToUnicode;

    private record Key(HouseFont face, SortedSet<Integer> extra) {}

    private FontSubset(HouseFont face, SortedSet<Integer> extra) {
        this.face = face;
        SortedSet<Integer> characters = new TreeSet<>(ALWAYS);
        characters.addAll(extra);
        characters.removeIf(character -> face.glyph(character) == 0);
        try {
            TTFSubsetter subsetter = new TTFSubsetter(face.trueType(), TABLES);
            characters.forEach(subsetter::add);
            Map<Integer, Integer> oldOfNew = subsetter.getGIDMap();
            Map<Integer, Integer> newOfOld = new HashMap<>();
            oldOfNew.forEach((fresh, old) -> newOfOld.put(old, fresh));
            characters.forEach(character -> glyphOfCharacter.put(character, newOfOld.get(face.glyph(character))));
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
    public static FontSubset covering(HouseFont face, SortedSet<Integer> characters) {
        SortedSet<Integer> extra = new TreeSet<>(characters);
        extra.removeAll(ALWAYS);
        return MADE.computeIfAbsent(new Key(face, extra), key -> new FontSubset(key.face(), key.extra()));
    }

    /** Glyph number in the packed file; 0 (the empty box) for a character that the face lacks. */
    public int glyph(int character) {
        return glyphOfCharacter.getOrDefault(character, 0);
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
        glyphOfCharacter.forEach((character, glyph) -> characterOfGlyph.merge(glyph, character, Math::min));
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

    private static SortedSet<Integer> always() {
        SortedSet<Integer> characters = new TreeSet<>();
        IntStream.rangeClosed(0x20, 0x7e).forEach(characters::add);
        IntStream.rangeClosed(0xa0, 0x17f).forEach(characters::add);
        "\u2009\u2013\u2014\u2018\u2019\u201c\u201d\u2022\u2026\u2212".chars().forEach(characters::add);
        return characters;
    }
}
