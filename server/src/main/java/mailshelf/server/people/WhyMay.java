package mailshelf.server.people;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import mailshelf.core.Problem;
import mailshelf.core.rights.Folder;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Grant;
import mailshelf.core.rights.Group;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Rights;
import mailshelf.core.rights.Role;
import mailshelf.core.rights.Subject;
import mailshelf.core.rights.Verb;
import mailshelf.core.wording.Words;
import mailshelf.server.http.Languages;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.people.FolderStore;
import mailshelf.store.people.PersonStore;
import org.springframework.stereotype.Component;

/** Why somebody may do something in a folder, or may not: the chain of groups and grants, in sentences. */
@Component
class WhyMay {
    private final Database database;
    private final FolderStore folders;
    private final PersonStore people;

    /**
     * @param sentence what he may do there
     * @param chain where that comes from, a sentence a link
     */
    record Why(List<Verb> verbs, String sentence, List<String> chain) {}

    WhyMay(Database database, FolderStore folders, PersonStore people) {
        this.database = database;
        this.folders = folders;
        this.people = people;
    }

    Why of(Person reader, PersonId id, FolderId folder) {
        Words words = Words.in(Languages.supported(reader.locale()));
        return database.inTransaction(tx -> {
            Person person = people.find(tx, id).orElseThrow(Problem::notFound);
            Folder asked = folders.find(tx, folder).orElseThrow(Problem::notFound);
            Rights.Asker asker = people.asker(tx, person);
            Rights.Answer answer = folders.rights(tx).answer(asker, folder);
            List<Verb> verbs = answer.verbs().stream().sorted().toList();
            String sentence = verbs.isEmpty()
                    ? words.say("why.nothing", person.name(), asked.name())
                    : words.say("why.verbs", person.name(), said(verbs, words), asked.name());
            return new Why(verbs, sentence, chain(tx, words, person, asker, asked, answer));
        });
    }

    private List<String> chain(
            Tx tx, Words words, Person person, Rights.Asker asker, Folder asked, Rights.Answer answer) {
        if (!person.active()) {
            return List.of(words.say("why.inactive", person.name()));
        }
        if (person.is(Role.ADMINISTRATOR)) {
            return List.of(words.say("why.administrator", person.name()));
        }
        Map<FolderId, Folder> byId =
                folders.all(tx).stream().collect(Collectors.toMap(Folder::id, Function.identity()));
        List<String> chain = new ArrayList<>();
        if (person.is(Role.AUDITOR)) {
            chain.add(words.say("why.auditor", person.name()));
        }
        for (Group group : people.groups(tx)) {
            if (asker.groups().contains(group.id())) {
                String link = answer.because().stream()
                        .filter(grant -> grant.subject().equals(new Subject.OfGroup(group.id())))
                        .findFirst()
                        .map(grant -> granted("why.group", person, group.name(), grant, asked, byId, words))
                        .orElseGet(() -> words.say("why.group-nothing", person.name(), group.name(), asked.name()));
                chain.add(link);
            }
        }
        answer.because().stream()
                .filter(grant -> grant.subject() instanceof Subject.OfPerson)
                .forEach(grant -> chain.add(granted("why.person", person, "", grant, asked, byId, words)));
        return chain.isEmpty() ? List.of(words.say("why.no-group", person.name())) : chain;
    }

    /** A folder that says nothing itself takes what the nearest above it gives, which is told too. */
    private static String granted(
            String key,
            Person person,
            String group,
            Grant grant,
            Folder asked,
            Map<FolderId, Folder> byId,
            Words words) {
        String verbs = grant.verbs().isEmpty()
                ? words.say("why.said-nothing")
                : said(
                        grant.verbs().stream()
                                .flatMap(verb -> verb.withImplied().stream())
                                .distinct()
                                .sorted()
                                .toList(),
                        words);
        String at = byId.get(grant.folder()).name();
        String link = words.say(key, person.name(), group, verbs, at);
        return grant.folder().equals(asked.id()) ? link : link + " " + words.say("why.from-above", asked.name(), at);
    }

    private static String said(List<Verb> verbs, Words words) {
        boolean sees = verbs.contains(Verb.SEE);
        return words.list(verbs.stream()
                .filter(verb -> !sees || verb != Verb.KNOW)
                .map(verb -> words.say("verb." + verb.name()))
                .toList());
    }
}
