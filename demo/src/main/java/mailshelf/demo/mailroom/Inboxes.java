package mailshelf.demo.mailroom;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.InstantSource;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Properties;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * The stand-in's mail as a Maildir per address (a file a mail, written aside and moved in whole), and how each address
 * is to be treated; both outlive a restart.
 */
final class Inboxes {
    private final Path folder;
    private final InstantSource machineClock;
    private final AtomicLong sequence = new AtomicLong();

    Inboxes(Path dataFolder, InstantSource machineClock) {
        this.folder = dataFolder.resolve("mailroom");
        this.machineClock = machineClock;
    }

    void deliver(String address, byte[] mail) {
        try {
            Path box = box(address);
            Files.createDirectories(box.resolve("tmp"));
            Files.createDirectories(box.resolve("new"));
            String name = String.format("%015d.%06d.eml", machineClock.millis(), sequence.incrementAndGet());
            Path aside = Files.write(box.resolve("tmp").resolve(name), mail);
            Files.move(aside, box.resolve("new").resolve(name), StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    List<String> addresses() {
        return names(folder, Files::isDirectory);
    }

    /** Ids of the mails, newest first. */
    List<String> mails(String address) {
        return names(box(address).resolve("new"), Files::isRegularFile).stream()
                .sorted(Comparator.reverseOrder())
                .toList();
    }

    Optional<byte[]> mail(String address, String id) {
        Path file = box(address).resolve("new").resolve(id).normalize();
        if (!file.startsWith(box(address)) || !Files.isRegularFile(file)) {
            return Optional.empty();
        }
        try {
            return Optional.of(Files.readAllBytes(file));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    synchronized Misbehaviour behaviour(String address) {
        return Misbehaviour.valueOf(behaviours().getProperty(key(address), Misbehaviour.NONE.name()));
    }

    synchronized void setBehaviour(String address, Misbehaviour behaviour) {
        Properties all = behaviours();
        all.setProperty(key(address), behaviour.name());
        try {
            Files.createDirectories(folder);
            try (var out = Files.newOutputStream(folder.resolve("behaviour.properties"))) {
                all.store(out, null);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Properties behaviours() {
        Properties all = new Properties();
        Path file = folder.resolve("behaviour.properties");
        if (Files.exists(file)) {
            try (var in = Files.newInputStream(file)) {
                all.load(in);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return all;
    }

    private Path box(String address) {
        return folder.resolve(key(address));
    }

    /** An address as a name that any file system takes, and that leads nowhere else. */
    private static String key(String address) {
        return address.toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9@._+-]", "_")
                .replaceAll("^\\.+", "_");
    }

    private static List<String> names(Path folder, Predicate<Path> wanted) {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(wanted)
                    .map(file -> file.getFileName().toString())
                    .sorted()
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
