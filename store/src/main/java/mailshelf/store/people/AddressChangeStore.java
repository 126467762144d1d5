package mailshelf.store.people;

import java.time.Instant;
import java.util.Optional;
import mailshelf.core.rights.PersonId;
import mailshelf.core.shelf.Sha256;
import mailshelf.store.Row;
import mailshelf.store.Tx;

/** Mail addresses that wait for their owners to confirm them; of the links only the checksums are kept. */
public final class AddressChangeStore {
    /** One that waits. */
    public record Waiting(PersonId person, String address) {}

    private static Waiting waiting(Row row) {
        return new Waiting(new PersonId(row.number("person")), row.text("address"));
    }

    /** In the place of one that waited before. */
    public void put(Tx tx, String token, PersonId person, String address, Instant until) {
        tx.update(
                "MERGE INTO address_change (person, token_sha, address, until_at) KEY (person) VALUES (?, ?, ?, ?)",
                person,
                Sha256.of(token),
                address,
                until);
    }

    /** The one that a link is for, while it holds. */
    public Optional<Waiting> find(Tx tx, String token, Instant now) {
        return tx.one(
                "SELECT person, address FROM address_change WHERE token_sha = ? AND until_at > ?",
                AddressChangeStore::waiting,
                Sha256.of(token),
                now);
    }

    public Optional<Waiting> of(Tx tx, PersonId person, Instant now) {
        return tx.one(
                "SELECT person, address FROM address_change WHERE person = ? AND until_at > ?",
                AddressChangeStore::waiting,
                person,
                now);
    }

    public void remove(Tx tx, PersonId person) {
        tx.update("DELETE FROM address_change WHERE person = ?", person);
    }
}
