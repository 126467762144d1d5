package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyStore;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.net.ssl.KeyManagerFactory;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLSocket;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.subethamail.smtp.auth.EasyAuthenticationHandlerFactory;
import org.subethamail.smtp.auth.LoginFailedException;
import org.subethamail.smtp.helper.SimpleMessageListener;
import org.subethamail.smtp.helper.SimpleMessageListenerAdapter;
import org.subethamail.smtp.server.SMTPServer;
import org.subethamail.smtp.server.Session;

/** A mail server that demands TLS and a login, with a certificate that the organisation itself vouches for. */
class MailOverTlsTest {
    private static final String PASSWORD = "salt on the railing";
    private static final String OF_STORES = "changeit";
    private static final String ADMINISTRATOR = "mail-shelf@brinewater.example";

    private final BlockingQueue<String> mails = new LinkedBlockingQueue<>();
    private volatile boolean loginWasEncrypted;

    @TempDir
    Path folder;

    @Test
    void mails_leave_with_user_and_password_over_tls_and_the_password_stands_nowhere() throws Exception {
        SMTPServer mailServer = started();
        Path log = folder.resolve("server.out");
        Path data = folder.resolve("data");
        int port = RunningServer.freePort();
        Process server = RunningServer.launch(
                log,
                Map.of(
                        "MAILSHELF_SMTP_PASSWORD",
                        PASSWORD,
                        "MAILSHELF_JAVA_OPTIONS",
                        "-Djavax.net.ssl.trustStore=" + folder.resolve("trusted.p12")
                                + " -Djavax.net.ssl.trustStorePassword=" + OF_STORES),
                List.of(
                        "serve",
                        "--data",
                        data.toString(),
                        "--port",
                        String.valueOf(port),
                        "--address",
                        "localhost",
                        "--smtp-port",
                        String.valueOf(mailServer.getPortAllocated()),
                        "--smtp-user",
                        "shelf",
                        "--mail-address",
                        ADMINISTRATOR));
        try {
            signInFirst(log, port);
            Api.stranger("http://localhost:" + port).post("password-resets", Map.of("address", ADMINISTRATOR));

            Wait.until("a mail arrives", () -> !mails.isEmpty());
            assertThat(mails.take()).contains("Set a new password");
            assertThat(loginWasEncrypted).isTrue();
        } finally {
            server.descendants().forEach(ProcessHandle::destroy);
            server.waitFor();
            mailServer.stop();
        }
        assertThat(RunningServer.read(log)).doesNotContain(PASSWORD);
        try (Stream<Path> files = Files.walk(data)) {
            assertThat(files.filter(Files::isRegularFile)).isNotEmpty().noneMatch(MailOverTlsTest::holdsPassword);
        }
    }

    private static void signInFirst(Path log, int port) {
        Pattern link = Pattern.compile("http://localhost:" + port + "/(invitations/\\S+)");
        Wait.until("a link", () -> link.matcher(RunningServer.read(log)).find());
        Matcher found = link.matcher(RunningServer.read(log));
        assertThat(found.find()).isTrue();
        Api.stranger("http://localhost:" + port).post(found.group(1), Map.of("password", "a ferry leaves at nine"));
    }

    private static boolean holdsPassword(Path file) {
        return RunningServer.bytes(file).contains(PASSWORD);
    }

    private SMTPServer started() throws Exception {
        SMTPServer server = SMTPServer.port(0)
                .bindAddress(InetAddress.getLoopbackAddress())
                .enableTLS()
                .requireTLS()
                .startTlsSocketFactory(certified())
                .requireAuth()
                .authenticationHandlerFactory(new EasyAuthenticationHandlerFactory((user, password, context) -> {
                    loginWasEncrypted = ((Session) context).getSocket() instanceof SSLSocket;
                    if (!user.equals("shelf") || !password.equals(PASSWORD)) {
                        throw new LoginFailedException("535 5.7.8 no such user");
                    }
                }))
                .messageHandlerFactory(new SimpleMessageListenerAdapter(new Keeps()))
                .build();
        server.start();
        return server;
    }

    private final class Keeps implements SimpleMessageListener {
        @Override
        public boolean accept(String from, String recipient) {
            return true;
        }

        @Override
        public void deliver(String from, String recipient, InputStream data) throws IOException {
            mails.add(new String(data.readAllBytes(), StandardCharsets.UTF_8));
        }
    }

    /** A certificate for localhost, which trusted.p12 says may be trusted. */
    private SSLContext certified() throws Exception {
        Path keys = folder.resolve("keys.p12");
        Path certificate = folder.resolve("server.crt");
        keytool(
                keys,
                "-genkeypair",
                "-alias",
                "server",
                "-keyalg",
                "EC",
                "-dname",
                "CN=localhost",
                "-ext",
                "san=dns:localhost");
        keytool(keys, "-exportcert", "-alias", "server", "-file", certificate.toString());
        keytool(
                folder.resolve("trusted.p12"),
                "-importcert",
                "-noprompt",
                "-alias",
                "server",
                "-file",
                certificate.toString());
        KeyStore store = KeyStore.getInstance(keys.toFile(), OF_STORES.toCharArray());
        KeyManagerFactory managers = KeyManagerFactory.getInstance(KeyManagerFactory.getDefaultAlgorithm());
        managers.init(store, OF_STORES.toCharArray());
        SSLContext context = SSLContext.getInstance("TLS");
        context.init(managers.getKeyManagers(), null, null);
        return context;
    }

    private static void keytool(Path store, String... act) throws Exception {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "keytool").toString(),
                "-storetype",
                "PKCS12",
                "-storepass",
                OF_STORES,
                "-keystore",
                store.toString()));
        command.addAll(1, List.of(act));
        assertThat(new ProcessBuilder(command).start().waitFor()).isZero();
    }
}
