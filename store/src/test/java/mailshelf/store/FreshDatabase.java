package mailshelf.store;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/** A migrated database for each test: migrated once, then copied. */
public final class FreshDatabase {
    private static Path template;

    private FreshDatabase() {}

    public static synchronized Database in(Path folder) {
        try {
            if (template == null) {
                template = Files.createTempDirectory("mailshelf-template");
                Database.open(template).close();
            }
            Files.copy(
                    template.resolve("mailshelf.mv.db"),
                    folder.resolve("mailshelf.mv.db"),
                    StandardCopyOption.REPLACE_EXISTING);
            return Database.open(folder);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
