package mailshelf.core.audience;

import java.util.regex.Pattern;

/** A mail address as mail servers take it: a dot-string and a domain (RFC 5321 sections 4.1.2 and 4.5.3.1). */
public final class MailAddress {
    private static final String ATOM = "[A-Za-z0-9!#$%&'*+/=?^_`{|}~-]+";
    private static final String LABEL = "[A-Za-z0-9](?:[A-Za-z0-9-]{0,61}[A-Za-z0-9])?";
    private static final Pattern FORM =
            Pattern.compile("(?=.{1,64}@)" + ATOM + "(?:\\." + ATOM + ")*@" + LABEL + "(?:\\." + LABEL + ")*");

    /** A path of 256 with its angle brackets. */
    private static final int LONGEST = 254;

    private MailAddress() {}

    /** Quoted local parts and address literals are left out: no organisation's people have them. */
    public static boolean isOne(String text) {
        return text.length() <= LONGEST && FORM.matcher(text).matches();
    }
}
