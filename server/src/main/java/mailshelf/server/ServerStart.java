package mailshelf.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.MissingResourceException;
import mailshelf.core.wording.Alphabet;
import mailshelf.core.wording.Words;
import mailshelf.render.type.HouseFont;
import mailshelf.store.Database;
import org.springframework.context.ConfigurableApplicationContext;

/** Starts a server after looking whether it can run: one clear sentence and status 2 where it cannot. */
public final class ServerStart {
    private static ConfigurableApplicationContext running;

    private ServerStart() {}

    static boolean isRunning() {
        return running != null && running.isActive();
    }

    /** @param address to listen on */
    public static void run(Program program, HouseSettings settings, String address, Place place) throws CannotStart {
        checkPort(place.port());
        String lock = settings.database().isPresent() ? DataFolder.ofServer(settings.server()) : DataFolder.WHOLE;
        DataFolder.take(settings.data(), lock, place.fresh());
        DataKind kind = settings.demo().isPresent() ? DataKind.DEMO : DataKind.ORGANISATION;
        kind.require(settings.data());
        checkDatabase(settings);
        checkParts();
        running = start(program, settings, address, place.port());
        running.getBean(Opening.class).open(System.out);
    }

    private static ConfigurableApplicationContext start(
            Program program, HouseSettings settings, String address, int port) {
        return program.application()
                .initializers(context -> context.getBeanFactory().registerSingleton("houseSettings", settings))
                .properties(properties(settings, address, port))
                .run();
    }

    /** Without trusted proxies, nobody is believed where a request came from. */
    private static Map<String, Object> properties(HouseSettings settings, String address, int port) {
        Map<String, Object> properties = new HashMap<>(Map.of("server.port", port, "server.address", address));
        if (settings.proxies().isEmpty()) {
            properties.put("server.forward-headers-strategy", "none");
        } else {
            properties.put("server.forward-headers-strategy", "native");
            properties.put("server.tomcat.remoteip.internal-proxies", settings.proxies());
            properties.put("server.tomcat.remoteip.host-header", "X-Forwarded-Host");
        }
        return properties;
    }

    public static int freePort() {
        try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What files and mails are written with comes with the program: where that is damaged, none could be made. */
    private static void checkParts() throws CannotStart {
        try {
            HouseFont.readAll();
            Words.in(Locale.ENGLISH);
            Alphabet.order();
        } catch (UncheckedIOException | MissingResourceException e) {
            throw new CannotStart("A part of Mail Shelf cannot be read (" + e.getMessage()
                    + "): install it again, or free what it needs.");
        }
    }

    private static void checkDatabase(HouseSettings settings) throws CannotStart {
        if (settings.database().isEmpty()) {
            return;
        }
        String at = settings.database().get();
        if (!Database.answers(at, settings.data())) {
            throw new CannotStart("The database at " + at + " does not answer, or not to the key in " + settings.data()
                    + ": start it with 'mailshelf database --data DIR', and give every server that folder.");
        }
    }

    static void checkPort(int port) throws CannotStart {
        try (ServerSocket socket = new ServerSocket(port)) {
            socket.setReuseAddress(true);
        } catch (IOException e) {
            throw new CannotStart("Port " + port + " is in use: stop what uses it, or choose another with --port.");
        }
    }
}
