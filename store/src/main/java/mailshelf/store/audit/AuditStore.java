package mailshelf.store.audit;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mailshelf.core.Id;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.PersonId;
import mailshelf.core.wording.Shortened;
import mailshelf.store.Row;
import mailshelf.store.Tx;
import mailshelf.store.Where;
import mailshelf.store.Widths;

/** The audit trail: appended to, searched, never changed. */
public final class AuditStore {
    private static final String ENTRY = """
            SELECT id, at, person, who, from_address, act, thing_kind, thing, thing_name, before_text, after_text
              FROM audit
            """;

    /**
     * One thing done.
     *
     * @param person empty where nobody signed in did it; {@code who} then says what is known
     * @param from network address; "" for what the house did by itself
     * @param before how it was; "" where that says nothing
     */
    public record Entry(
            long id,
            Instant at,
            Optional<PersonId> person,
            String who,
            String from,
            Act act,
            Thing thing,
            String before,
            String after) {}

    /**
     * What to look for; what is empty is not asked about.
     *
     * @param words stand in the names or texts, in any case
     * @param acts what the words may mean instead
     * @param person who did it, or to whom it was done
     * @param olderThan id of the last entry seen already
     */
    public record Search(
            String words,
            Set<Act> acts,
            Optional<PersonId> person,
            Optional<Instant> from,
            Optional<Instant> before,
            Optional<Long> olderThan) {}

    private static Entry entry(Row row) {
        return new Entry(
                row.number("id"),
                row.instant("at"),
                row.optionalNumber("person").map(PersonId::new),
                row.text("who"),
                row.text("from_address"),
                row.choice("act", Act.class),
                new Thing(row.choice("thing_kind", Thing.Kind.class), row.number("thing"), row.text("thing_name")),
                row.text("before_text"),
                row.text("after_text"));
    }

    /** @param entry its id is given by the database */
    public void append(Tx tx, Entry entry) {
        tx.insert(
                """
                INSERT INTO audit (at, person, who, from_address, act, thing_kind, thing, thing_name, before_text,
                                   after_text)
                VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)""",
                entry.at(),
                entry.person(),
                Shortened.to(Widths.ADDRESS, entry.who()),
                Shortened.to(Widths.FROM, entry.from()),
                entry.act(),
                entry.thing().kind(),
                entry.thing().id(),
                Shortened.to(Widths.RECORDED_NAME, entry.thing().name()),
                Shortened.to(Widths.CHANGE, entry.before()),
                Shortened.to(Widths.CHANGE, entry.after()));
    }

    /** Whether somebody has done just this since then. */
    public boolean hasSince(Tx tx, PersonId person, Act act, Thing thing, Instant since) {
        return tx.count("""
                        SELECT COUNT(*) AS n
                          FROM audit
                         WHERE at >= ? AND person = ? AND act = ? AND thing_kind = ? AND thing = ?""", since, person, act, thing.kind(), thing.id()) > 0;
    }

    /** Some of what was done to one thing, newest first. */
    public List<Entry> of(Tx tx, Thing.Kind kind, Id thing, Set<Act> acts, int most) {
        Where where =
                new Where().and("thing_kind = ?", kind).and("thing = ?", thing).in("act", acts);
        return tx.list(
                ENTRY + where.sql() + " ORDER BY id DESC FETCH FIRST " + most + " ROWS ONLY",
                AuditStore::entry,
                where.values());
    }

    /** Newest first. */
    public List<Entry> find(Tx tx, Search search, int most) {
        String like = "%" + search.words().toLowerCase(Locale.ROOT).replaceAll("([%_\\\\])", "\\\\$1") + "%";
        return tx.list(
                ENTRY + """
                 WHERE (LOWER(who || ' ' || thing_name || ' ' || before_text || ' ' || after_text) LIKE ?
                        OR ? LIKE '%,' || act || ',%')
                   AND (CAST(? AS BIGINT) IS NULL OR person = ? OR (thing_kind = 'PERSON' AND thing = ?))
                   AND at >= COALESCE(?, TIMESTAMP WITH TIME ZONE '1970-01-01 00:00:00+00')
                   AND at < COALESCE(?, TIMESTAMP WITH TIME ZONE '9999-01-01 00:00:00+00')
                   AND id < COALESCE(?, 9223372036854775807)
                 ORDER BY id DESC
                 FETCH FIRST ? ROWS ONLY""",
                AuditStore::entry,
                like,
                search.acts().stream().map(Act::name).collect(Collectors.joining(",", ",", ",")),
                search.person(),
                search.person(),
                search.person(),
                search.from(),
                search.before(),
                search.olderThan(),
                most);
    }
}
