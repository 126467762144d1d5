package mailshelf.server.subscription;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import mailshelf.core.report.Definition;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.Sentence;
import mailshelf.core.subscription.Terms;
import mailshelf.core.wording.Words;
import mailshelf.server.http.Languages;
import mailshelf.server.library.Definitions;
import mailshelf.store.Tx;
import mailshelf.store.library.ReportStore;
import mailshelf.store.people.PersonStore;
import org.springframework.stereotype.Component;

/** Says terms as their sentence, for a reader. */
@Component
public class Describe {
    private final ReportStore reports;
    private final Definitions definitions;
    private final PersonStore people;

    Describe(ReportStore reports, Definitions definitions, PersonStore people) {
        this.reports = reports;
        this.definitions = definitions;
        this.people = people;
    }

    public String sentence(Tx tx, Terms terms, Person reader) {
        return Sentence.text(terms, facts(tx, terms, Optional.of(reader.id())), words(reader));
    }

    String fullSentence(Tx tx, Terms terms, Person reader) {
        return Sentence.fullText(terms, facts(tx, terms, Optional.of(reader.id())), words(reader));
    }

    /** As the audit trail keeps it: whole, and with nobody as "me". */
    String record(Tx tx, Terms terms, Person by) {
        return Sentence.fullText(terms, facts(tx, terms, Optional.empty()), words(by));
    }

    List<Sentence.Phrase> phrases(Tx tx, Terms terms, Person reader) {
        return Sentence.of(terms, facts(tx, terms, Optional.of(reader.id())), words(reader));
    }

    private Sentence.Facts facts(Tx tx, Terms terms, Optional<PersonId> reader) {
        Definition definition = definitions
                .newest(tx, reports.find(tx, terms.report()).orElseThrow())
                .definition();
        Map<PersonId, String> names = people.find(tx, terms.recipients()).values().stream()
                .collect(Collectors.toMap(Person::id, Person::name));
        return new Sentence.Facts(definition, names, reader);
    }

    static Words words(Person reader) {
        return Words.in(Languages.supported(reader.locale()));
    }
}
