package mailshelf.server.people;

import java.util.Collection;
import java.util.Locale;
import java.util.stream.Collectors;
import mailshelf.core.rights.Verb;

/** Grants as the audit trail keeps them. */
final class GrantWords {
    private GrantWords() {}

    /** "Route leads: see, subscribe self". */
    static String said(String subject, Collection<Verb> verbs) {
        String said = verbs.stream()
                .filter(verb -> verb != Verb.KNOW || !verbs.contains(Verb.SEE))
                .sorted()
                .map(verb -> verb.name().toLowerCase(Locale.ROOT).replace('_', ' '))
                .collect(Collectors.joining(", "));
        return subject + ": " + (said.isEmpty() ? "nothing" : said);
    }
}
