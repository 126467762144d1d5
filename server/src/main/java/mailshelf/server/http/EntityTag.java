package mailshelf.server.http;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The version of something that is edited, as its header carries it: {@code ETag: "4"} when it is read, {@code If-Match: "4"}
 * when it is changed, so that nobody overwrites what they have not seen (RFC 9110, sections 8.8.3 and 13.1.1).
 */
public record EntityTag(int version) {
    private static final Pattern STRONG = Pattern.compile("\"(\\d{1,9})\"");

    /**
     * @param text one strong entity tag
     * @throws IllegalArgumentException for anything else
     */
    static EntityTag parse(String text) {
        Matcher matcher = STRONG.matcher(text.strip());
        if (!matcher.matches()) {
            throw new IllegalArgumentException("Not the entity tag of a version: " + text);
        }
        return new EntityTag(Integer.parseInt(matcher.group(1)));
    }

    @Override
    public String toString() {
        return "\"" + version + "\"";
    }
}
