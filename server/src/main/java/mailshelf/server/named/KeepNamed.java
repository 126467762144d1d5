package mailshelf.server.named;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.data.Filter;
import mailshelf.core.named.ComesTo;
import mailshelf.core.named.NamedId;
import mailshelf.core.named.NamedValue;
import mailshelf.core.report.FilterWords;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.wording.OneLine;
import mailshelf.core.wording.Words;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.http.Languages;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.named.KeptNamed;
import mailshelf.store.named.NamedStore;
import mailshelf.store.people.FolderStore;
import org.springframework.stereotype.Component;

/** Keeps named values, each tried before it is kept. Publishers of their folders change them; who sees those uses them. */
@Component
class KeepNamed {
    private static final int MOST_VALUES = 200;
    private static final int SHOWN = 50;

    private final Gate gate;
    private final Database database;
    private final NamedStore named;
    private final FolderStore folders;
    private final ResolveNamed resolve;
    private final UsesOfNamed usesOf;
    private final BusinessClock clock;
    private final AuditTrail audit;

    /** A named value as it is to be. */
    record NamedWish(FolderId folder, NamedValue named) {}

    /** @param version of the one that the change was made from */
    record NamedChange(NamedWish wish, int version) {}

    /**
     * What one comes to for who asks, today.
     *
     * @param values the first of them
     * @param more how many there are besides
     * @param written all as they stand in a text
     */
    record Outcome(List<String> values, int more, boolean isFallback, String written) {}

    /**
     * A named value.
     *
     * @param outcome empty where it comes to nothing now
     * @param wrong why it does not; "" where it does
     * @param uses what it is used by, in words; "" for nothing
     */
    record NamedView(
            NamedId id,
            FolderId folder,
            String folderName,
            NamedValue named,
            int version,
            boolean mayChange,
            Optional<Outcome> outcome,
            String wrong,
            String uses) {}

    KeepNamed(
            Gate gate,
            Database database,
            NamedStore named,
            FolderStore folders,
            ResolveNamed resolve,
            UsesOfNamed usesOf,
            BusinessClock clock,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.named = named;
        this.folders = folders;
        this.resolve = resolve;
        this.usesOf = usesOf;
        this.clock = clock;
        this.audit = audit;
    }

    /** Those of the folders that somebody may see, by name. */
    List<NamedView> list(Person who) {
        return database.inTransaction(tx -> {
            Gate.Access access = gate.access(tx, who);
            UsesOfNamed.Index index = usesOf.index(tx);
            return named.all(tx).stream()
                    .filter(kept -> access.may(Verb.SEE, kept.folder()))
                    .map(kept -> view(tx, who, access, index, kept))
                    .toList();
        });
    }

    private NamedView view(Tx tx, Person who, Gate.Access access, UsesOfNamed.Index index, KeptNamed kept) {
        Optional<Outcome> outcome = Optional.empty();
        String wrong = "";
        Words words = words(who);
        try {
            outcome = Optional.of(outcome(kept.named(), resolve.comesTo(tx, who, today(who), kept.named()), words));
        } catch (Problem e) {
            wrong = e.sentences(words).get(0);
        }
        return new NamedView(
                kept.id(),
                kept.folder(),
                folders.find(tx, kept.folder()).orElseThrow().name(),
                kept.named(),
                kept.version(),
                access.may(Verb.PUBLISH, kept.folder()),
                outcome,
                wrong,
                uses(tx, who, access, index.of(kept.named().name()), words));
    }

    /** Subscriptions by name as far as somebody may see them, the rest by number. */
    private String uses(Tx tx, Person who, Gate.Access access, UsesOfNamed.Uses uses, Words words) {
        if (uses.isNone()) {
            return "";
        }
        List<String> visible = uses.subscriptions().stream()
                .filter(each -> gate.isVisible(tx, access, who, each))
                .map(each -> "“" + each.terms().name() + "”")
                .toList();
        List<String> used = new ArrayList<>();
        List<String> reports = uses.reports().stream()
                .filter(each -> access.may(Verb.SEE, each.folder()))
                .map(each -> "“" + each.title() + "”")
                .toList();
        if (!visible.isEmpty()) {
            used.add(words.say("named.uses.subscriptions", visible.size(), words.shortList(visible, 3)));
        }
        if (!reports.isEmpty()) {
            used.add(words.say("named.uses.reports", reports.size(), words.shortList(reports, 3)));
        }
        count(used, words, "others", uses.subscriptions().size() - visible.size());
        count(used, words, "other-reports", uses.reports().size() - reports.size());
        count(used, words, "cuts", uses.cuts());
        count(used, words, "clippings", uses.clippings());
        return words.list(used);
    }

    private static void count(List<String> used, Words words, String what, long many) {
        if (many > 0) {
            used.add(words.say("named.uses." + what, many));
        }
    }

    private static Outcome outcome(NamedValue value, ComesTo comesTo, Words words) {
        List<String> shown = comesTo.values().stream().limit(SHOWN).toList();
        String written = new FilterWords(words, Integer.MAX_VALUE).value(value.inText(comesTo));
        return new Outcome(shown, comesTo.values().size() - shown.size(), comesTo.isFallback(), written);
    }

    /** What one would come to, before it is kept. */
    Outcome attempt(Person who, NamedWish wish) {
        return database.inTransaction(tx -> tried(tx, who, wish));
    }

    private Outcome tried(Tx tx, Person who, NamedWish wish) {
        gate.requirePublish(tx, who, wish.folder());
        requireSound(wish.named());
        wish.named().dataSet().ifPresent(id -> gate.mindable(tx, who, id));
        return outcome(wish.named(), resolve.comesTo(tx, who, today(who), wish.named()), words(who));
    }

    NamedId keep(Person who, NamedWish wish) {
        return database.inTransaction(tx -> {
            requireKeepable(tx, who, wish, other -> true);
            NamedId id = named.insert(tx, wish.folder(), wish.named());
            audit.keep(tx, who, Act.NAMED_VALUE_KEPT, thing(id, wish.named()), "", said(wish.named()));
            return id;
        });
    }

    /** Under another name only while nothing knows it by the one that it has. */
    void change(Person who, NamedId id, NamedChange change) {
        database.doInTransaction(tx -> {
            KeptNamed before = changeable(tx, who, id);
            NamedValue now = change.wish().named();
            requireKeepable(tx, who, change.wish(), other -> !other.id().equals(id));
            if (!now.name().equals(before.named().name())) {
                requireUnused(tx, who, before);
            }
            if (!named.change(tx, new KeptNamed(id, change.wish().folder(), now, change.version()))) {
                throw new Problem(
                        Problem.Kind.STALE,
                        "named.changed-meanwhile",
                        before.named().name());
            }
            audit.keep(tx, who, Act.NAMED_VALUE_KEPT, thing(id, now), said(before.named()), said(now));
        });
    }

    void remove(Person who, NamedId id) {
        database.doInTransaction(tx -> {
            KeptNamed gone = changeable(tx, who, id);
            requireUnused(tx, who, gone);
            named.remove(tx, id);
            audit.keep(tx, who, Act.NAMED_VALUE_REMOVED, thing(id, gone.named()), said(gone.named()), "");
        });
    }

    private KeptNamed changeable(Tx tx, Person who, NamedId id) {
        KeptNamed found = named.find(tx, id).orElseThrow(Problem::notFound);
        gate.requirePublish(tx, who, found.folder());
        return found;
    }

    private void requireKeepable(Tx tx, Person who, NamedWish wish, Predicate<KeptNamed> isOther) {
        String name = wish.named().name();
        if (tried(tx, who, wish).values().isEmpty()) {
            throw Problem.invalid("named.nothing", name);
        }
        named.byName(tx, name).filter(isOther).ifPresent(other -> {
            throw Problem.invalid("named.name-taken", name);
        });
    }

    private void requireUnused(Tx tx, Person who, KeptNamed kept) {
        String name = kept.named().name();
        String uses = uses(tx, who, gate.access(tx, who), usesOf.index(tx).of(name), words(who));
        if (!uses.isEmpty()) {
            throw new Problem(Problem.Kind.CONFLICT, "named.in-use", name, uses);
        }
    }

    private static void requireSound(NamedValue value) {
        if (!OneLine.isName(value.name()) || value.name().matches(".*[{}].*")) {
            throw Problem.invalid("named.bad-name", OneLine.LONGEST_NAME);
        }
        requireValues(value.values());
        requireValues(value.fallback());
        requireWord(value.separator());
        requireWord(value.lastWord());
    }

    private static void requireValues(List<String> values) {
        boolean tooMany = values.size() > MOST_VALUES;
        values.stream()
                .filter(value -> tooMany
                        || !OneLine.isName(value)
                        || Filter.reference(value).isPresent())
                .findFirst()
                .ifPresent(value -> {
                    throw Problem.invalid("named.bad-value", value, MOST_VALUES);
                });
    }

    /** Between values in a text; may be nothing, or spaces. */
    private static void requireWord(String word) {
        if (!word.isBlank() && !OneLine.isName(word.strip())) {
            throw Problem.invalid("named.bad-value", word, MOST_VALUES);
        }
    }

    private static Thing thing(NamedId id, NamedValue value) {
        return Thing.of(Thing.Kind.NAMED_VALUE, id, value.name());
    }

    /** As the audit trail keeps it. */
    private static String said(NamedValue value) {
        return switch (value.kind()) {
            case CONSTANT -> String.join(", ", value.values());
            case FORMULA -> "= " + value.formula();
            case FIRST -> "first of " + value.column();
            case DISTINCT -> "all of " + value.column();
        };
    }

    private LocalDate today(Person who) {
        return clock.instant().atZone(who.zone()).toLocalDate();
    }

    private static Words words(Person who) {
        return Words.in(Languages.supported(who.locale()));
    }
}
