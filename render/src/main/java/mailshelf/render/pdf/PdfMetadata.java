package mailshelf.render.pdf;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;

/** What a PDF says about itself to programs (XMP, ISO 16684-1), not packed, so that they find it without a reader. */
final class PdfMetadata {
    private static final String XMP = """
            <?xpacket begin="\ufeff" id="W5M0MpCehiHzreSzNTczkc9d"?>
            <x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
            <rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/"
             xmlns:xmp="http://ns.adobe.com/xap/1.0/">
            <dc:title><rdf:Alt><rdf:li xml:lang="x-default">%s</rdf:li></rdf:Alt></dc:title>
            <dc:language><rdf:Bag><rdf:li>%s</rdf:li></rdf:Bag></dc:language>
            <dc:format>application/pdf</dc:format>
            <xmp:CreatorTool>Mail Shelf</xmp:CreatorTool>
            <xmp:CreateDate>%s</xmp:CreateDate>
            </rdf:Description></rdf:RDF></x:xmpmeta>
            <?xpacket end="r"?>
            """;

    private PdfMetadata() {}

    static byte[] of(String title, String language, Instant made) {
        return XMP.formatted(escaped(title), language, made.truncatedTo(ChronoUnit.SECONDS))
                .getBytes(StandardCharsets.UTF_8);
    }

    private static String escaped(String text) {
        return text.replaceAll("[^\\P{Cc}]", " ")
                .replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;");
    }
}
