package mailshelf.store.people;

import java.time.Instant;
import java.util.Optional;
import mailshelf.core.rights.PersonId;
import mailshelf.core.shelf.Sha256;
import mailshelf.store.Tx;

/** Links by which a person sets his password; only their checksums are kept. */
public final class InvitationStore {
    public void insert(Tx tx, String token, PersonId person, Instant until) {
        tx.update(
                "INSERT INTO invitation (token_sha, person, until_at) VALUES (?, ?, ?)",
                Sha256.of(token),
                person,
                until);
    }

    /** The person invited, while the link holds. */
    public Optional<PersonId> find(Tx tx, String token, Instant now) {
        return tx.one(
                "SELECT person FROM invitation WHERE token_sha = ? AND until_at > ?",
                row -> new PersonId(row.number("person")),
                Sha256.of(token),
                now);
    }

    /** A link works once; the other links of the person end with it. */
    public void remove(Tx tx, PersonId person) {
        tx.update("DELETE FROM invitation WHERE person = ?", person);
    }
}
