package mailshelf.server.subscription;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import mailshelf.core.letter.LetterFields;
import mailshelf.core.named.InText;
import mailshelf.core.report.Definition;
import mailshelf.core.report.MergeText;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.Content;
import mailshelf.core.subscription.Terms;
import mailshelf.server.library.Definitions;
import mailshelf.server.named.ResolveNamed;
import mailshelf.store.Tx;
import org.springframework.stereotype.Component;

/** The fields that the letter of terms may have: about the issue, its key figures, and the owner's named values. */
@Component
class OfferFields {
    private final Definitions definitions;
    private final ResolveNamed named;

    OfferFields(Definitions definitions, ResolveNamed named) {
        this.definitions = definitions;
        this.named = named;
    }

    /** All, as they stand in braces. */
    List<String> offered(Tx tx, Person owner, Terms terms) {
        List<String> fields = new ArrayList<>(LetterFields.ALWAYS);
        figures(tx, terms).stream().map(LetterFields::figureOf).forEach(fields::add);
        named.usable(tx, owner).stream().map(MergeText::valueOf).forEach(fields::add);
        return fields.stream().filter(MergeText::isField).toList();
    }

    /** Those of a letter that there are not. */
    List<String> unknown(Tx tx, Person owner, Terms terms) {
        if (terms.letter().isEmpty()) {
            return List.of();
        }
        List<String> usable = named.usable(tx, owner);
        return terms.letterPattern().unknown(figures(tx, terms), usable::contains);
    }

    /** Those named values that somebody may put into a letter, or that are read in texts of its reports anyway. */
    List<InText> mayPutIn(Tx tx, Person owner, List<InText> texts, Collection<Definition> reports) {
        Set<String> names = new HashSet<>(named.usable(tx, owner));
        reports.forEach(report -> names.addAll(report.namedValues()));
        return texts.stream().filter(text -> names.contains(text.name())).toList();
    }

    private Set<String> figures(Tx tx, Terms terms) {
        Set<String> titles = new LinkedHashSet<>();
        for (Content content : terms.content()) {
            titles.addAll(
                    content.figuresIn(definitions.newest(tx, content.report()).definition()));
        }
        return titles;
    }
}
