package mailshelf.store;

import java.util.Optional;

/** Single values of the house that have no table of their own. */
public final class SettingStore {
    public Optional<String> find(Tx tx, String name) {
        return tx.one("SELECT content FROM setting WHERE name = ?", row -> row.text("content"), name);
    }

    public void put(Tx tx, String name, String content) {
        if (tx.update("UPDATE setting SET content = ? WHERE name = ?", content, name) == 0) {
            tx.update("INSERT INTO setting (name, content) VALUES (?, ?)", name, content);
        }
    }
}
