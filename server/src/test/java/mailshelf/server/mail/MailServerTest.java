package mailshelf.server.mail;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.net.InetAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyStore;
import java.util.List;
import java.util.Optional;
import javax.net.ssl.KeyManagerFactory;
import javax.net.ssl.SSLContext;
import mailshelf.core.delivery.Answer;
import mailshelf.server.HouseSettings;
import mailshelf.server.MailSettings;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.subethamail.smtp.auth.EasyAuthenticationHandlerFactory;
import org.subethamail.smtp.auth.LoginFailedException;
import org.subethamail.smtp.helper.SimpleMessageListener;
import org.subethamail.smtp.helper.SimpleMessageListenerAdapter;
import org.subethamail.smtp.server.SMTPServer;

/** What comes of a mail when the connection is not as it should be. */
class MailServerTest {
    private static final byte[] MAIL =
            "Message-ID: <1@x.example>\r\nSubject: x\r\n\r\nx\r\n".getBytes(StandardCharsets.US_ASCII);
    private static final String IDA = "ida@brinewater.example";
    private static final String PASSWORD = "not a secret";

    @TempDir
    private Path folder;

    private SMTPServer server;
    private volatile boolean received;
    private volatile String envelopeSender = "";

    @AfterEach
    void stop() {
        if (server != null) {
            server.stop();
        }
    }

    @Test
    void a_server_that_takes_it_without_tls_where_none_is_demanded() {
        start(builder());

        assertThat(send(MailTls.OFFERED)).isInstanceOf(Answer.Accepted.class);
        assertThat(received).isTrue();
        assertThat(envelopeSender).as("where failures are reported to").isEqualTo("shelf@x.example");
    }

    @Test
    void no_mail_leaves_where_tls_is_demanded_and_the_server_offers_none() {
        start(builder());

        assertThat(send(MailTls.REQUIRED)).isInstanceOf(Answer.Unsafe.class);
        assertThat(received).isFalse();
    }

    @Test
    void no_mail_leaves_to_a_server_whose_certificate_nobody_vouches_for() throws Exception {
        start(builder().enableTLS().startTlsSocketFactory(selfSigned()));

        assertThat(send(MailTls.REQUIRED)).isInstanceOf(Answer.Unsafe.class);
        assertThat(send(MailTls.OFFERED)).isInstanceOf(Answer.Unsafe.class);
        assertThat(received).isFalse();
    }

    @Test
    void a_server_that_is_not_there_is_not_reached() {
        start(builder());
        int port = server.getPortAllocated();
        server.stop();
        server = null;

        assertThat(send(MailTls.OFFERED, port)).isInstanceOf(Answer.Unreached.class);
    }

    @Test
    void a_server_that_asks_who_it_is_gets_user_and_password_and_says_so_where_they_are_wrong() {
        start(builder()
                .requireAuth()
                .authenticationHandlerFactory(new EasyAuthenticationHandlerFactory((user, password, context) -> {
                    if (!user.equals("shelf") || !password.equals(PASSWORD)) {
                        throw new LoginFailedException("535 5.7.8 no such user");
                    }
                })));
        int port = server.getPortAllocated();

        assertThat(send(MailTls.NEVER, port, Optional.of(new MailSettings.Login("shelf", PASSWORD))))
                .isInstanceOf(Answer.Accepted.class);
        assertThat(received).isTrue();
        Answer refused = send(MailTls.NEVER, port, Optional.of(new MailSettings.Login("shelf", "another one")));
        assertThat(refused).isInstanceOf(Answer.NoLogin.class);
        assertThat(refused.toString()).doesNotContain("another one");
        assertThat(new MailSettings.Login("shelf", PASSWORD).toString()).doesNotContain(PASSWORD);
    }

    private Answer send(MailTls tls) {
        return send(tls, server.getPortAllocated());
    }

    private Answer send(MailTls tls, int port) {
        return send(tls, port, Optional.empty());
    }

    private Answer send(MailTls tls, int port, Optional<MailSettings.Login> login) {
        HouseSettings settings = new HouseSettings(
                folder,
                Optional.empty(),
                1,
                "http://localhost",
                new MailSettings("shelf@x.example", "localhost", port, tls, login),
                List.of(),
                1_000_000,
                "",
                Optional.empty());
        return new MailServer(settings).send(List.of(MAIL), IDA);
    }

    private SMTPServer.Builder builder() {
        SimpleMessageListener listener = new SimpleMessageListener() {
            @Override
            public boolean accept(String from, String recipient) {
                envelopeSender = from;
                return true;
            }

            @Override
            public void deliver(String from, String recipient, InputStream data) {
                received = true;
            }
        };
        return SMTPServer.port(0)
                .bindAddress(InetAddress.getLoopbackAddress())
                .messageHandlerFactory(new SimpleMessageListenerAdapter(listener));
    }

    private void start(SMTPServer.Builder builder) {
        server = builder.build();
        server.start();
    }

    /** As a server has it whose certificate was made at home. */
    private SSLContext selfSigned() throws Exception {
        Path file = folder.resolve("server.p12");
        List<String> keytool = List.of(
                Path.of(System.getProperty("java.home"), "bin", "keytool").toString(),
                "-genkeypair",
                "-alias",
                "server",
                "-keyalg",
                "EC",
                "-dname",
                "CN=localhost",
                "-storetype",
                "PKCS12",
                "-storepass",
                PASSWORD,
                "-keystore",
                file.toString());
        assertThat(new ProcessBuilder(keytool).start().waitFor()).isZero();
        KeyStore store = KeyStore.getInstance("PKCS12");
        try (InputStream in = Files.newInputStream(file)) {
            store.load(in, PASSWORD.toCharArray());
        }
        KeyManagerFactory keys = KeyManagerFactory.getInstance(KeyManagerFactory.getDefaultAlgorithm());
        keys.init(store, PASSWORD.toCharArray());
        SSLContext context = SSLContext.getInstance("TLS");
        context.init(keys.getKeyManagers(), null, null);
        return context;
    }
}
