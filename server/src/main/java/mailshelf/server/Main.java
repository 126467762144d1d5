package mailshelf.server;

import java.nio.file.Path;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import mailshelf.server.delivery.Arrow;
import mailshelf.server.mail.MailTls;
import mailshelf.server.offline.CheckReport;
import mailshelf.server.offline.RenderReport;
import mailshelf.server.work.FailingUnit;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** The command line: everything that Mail Shelf can be asked from a shell. */
@Command(
        name = "mailshelf",
        description = "Subscribes people to pages of reports, mails them on time, and keeps every issue on the shelf.",
        mixinStandardHelpOptions = true,
        versionProvider = Main.Version.class,
        subcommands = {
            Main.Serve.class,
            Main.Demo.class,
            KeepDatabase.class,
            VerifyArchive.class,
            AdministratorLink.class,
            ShowNotices.class,
            CheckReport.class,
            RenderReport.class
        })
public final class Main implements Callable<Integer> {
    /** Wrong use, or something outside that must be put right first. */
    static final int USAGE = 2;

    private static final String SMTP_PASSWORD = "MAILSHELF_SMTP_PASSWORD";

    private static final long MEGABYTE = 1_000_000;

    private Main() {}

    public static void main(String[] arguments) {
        int status = new CommandLine(new Main())
                .setCaseInsensitiveEnumValuesAllowed(true)
                .execute(arguments);
        // a started server goes on in its own threads
        if (status != 0 || !ServerStart.isRunning()) {
            System.exit(status);
        }
    }

    @Override
    public Integer call() {
        new CommandLine(this).usage(System.out);
        return 0;
    }

    static final class Version implements CommandLine.IVersionProvider {
        @Override
        public String[] getVersion() {
            String version = Main.class.getPackage().getImplementationVersion();
            return new String[] {"Mail Shelf " + (version == null ? "(from sources)" : version)};
        }
    }

    /** Where a server listens and keeps its things. */
    static final class Place {
        @Option(names = "--port", description = "port to listen on (default ${DEFAULT-VALUE})", defaultValue = "8080")
        int port;

        @Option(
                names = "--data",
                description = "folder that holds everything (default ${DEFAULT-VALUE})",
                defaultValue = "data")
        Path data;

        @Option(names = "--fresh", description = "empties the data folder first")
        boolean fresh;

        @Option(
                names = "--source-root",
                paramLabel = "DIR",
                description =
                        "a folder below which files of others may be watched and loaded; may be said several times"
                                + " (default: none)")
        List<Path> sourceRoots = List.of();

        @Option(
                names = "--largest-load",
                paramLabel = "MB",
                description =
                        "how many megabytes of rows one load may have (default ${DEFAULT-VALUE}); a load is held in"
                                + " memory while it is under way",
                defaultValue = "500")
        long largestLoad;
    }

    @Command(name = "serve", description = "Starts a server.", mixinStandardHelpOptions = true)
    static final class Serve implements Callable<Integer> {
        @Mixin
        Place place;

        @Option(
                names = "--address",
                description = "address to listen on (default ${DEFAULT-VALUE}: all of this machine's)",
                defaultValue = "0.0.0.0")
        String address;

        @Option(names = "--base-url", description = "how readers reach the server (default http://localhost:PORT)")
        String baseUrl;

        @Option(
                names = "--trusted-proxies",
                paramLabel = "REGEX",
                description =
                        "addresses of the proxies before this server, such as 10\\.0\\.0\\.\\d+, whose X-Forwarded headers"
                                + " are believed (default: none)",
                defaultValue = "")
        String proxies;

        @Option(
                names = "--smtp-host",
                description = "mail server (default ${DEFAULT-VALUE})",
                defaultValue = "localhost")
        String smtpHost;

        @Option(names = "--smtp-port", description = "its port (default ${DEFAULT-VALUE})", defaultValue = "25")
        int smtpPort;

        @Option(
                names = "--smtp-tls",
                description =
                        "whether the connection to it is encrypted: ${COMPLETION-CANDIDATES} (default ${DEFAULT-VALUE})",
                defaultValue = "OFFERED")
        MailTls smtpTls;

        @Option(
                names = "--smtp-user",
                description = "user to sign in with at the mail server, over TLS alone; the password is read from the"
                        + " environment variable MAILSHELF_SMTP_PASSWORD")
        String smtpUser;

        @Option(
                names = "--mail-address",
                description = "address that mails come from (default ${DEFAULT-VALUE})",
                defaultValue = "mail-shelf@localhost")
        String mailAddress;

        @Option(
                names = "--database",
                paramLabel = "HOST:PORT",
                description = "the database that several servers share, kept by 'mailshelf database'")
        Optional<String> database = Optional.empty();

        @Option(
                names = "--server-number",
                description = "this server's number among several (default ${DEFAULT-VALUE})",
                defaultValue = "1")
        int serverNumber;

        @Override
        public Integer call() {
            String url = baseUrl == null ? "http://localhost:" + place.port : HouseSettings.withoutSlash(baseUrl);
            Optional<MailSettings.Login> login = Optional.ofNullable(smtpUser)
                    .map(user -> new MailSettings.Login(user, System.getenv().getOrDefault(SMTP_PASSWORD, "")));
            if (login.filter(of -> of.password().isEmpty()).isPresent()) {
                System.err.println("--smtp-user needs its password in the environment variable " + SMTP_PASSWORD + ".");
                return USAGE;
            }
            // a password is sent over an encrypted connection or not at all
            MailTls tls = login.isPresent() ? MailTls.REQUIRED : smtpTls;
            HouseSettings settings = new HouseSettings(
                    place.data,
                    database,
                    serverNumber,
                    url,
                    new MailSettings(mailAddress, smtpHost, smtpPort, tls, login),
                    place.sourceRoots,
                    place.largestLoad * MEGABYTE,
                    proxies,
                    Optional.empty());
            if (place.fresh && database.isPresent()) {
                System.err.println("--fresh empties what other servers use: leave it out, or leave out --database.");
                return USAGE;
            }
            return ServerStart.run(settings, address, place.port, place.fresh);
        }
    }

    @Command(
            name = "demo",
            description = "Starts the demo: a made-up ferry operator, with a mail room and a clock that can be moved.",
            mixinStandardHelpOptions = true)
    static final class Demo implements Callable<Integer> {
        @Mixin
        Place place;

        @Option(
                names = "--smtp-port",
                description = "port of the demo's own mail server (default: any free one)",
                defaultValue = "0")
        int smtpPort;

        @Option(
                names = "--tickets",
                description = "how many tickets a new demo has sold, its largest data set (default ${DEFAULT-VALUE})",
                defaultValue = "1000000")
        long tickets;

        @Option(
                names = "--clock",
                paramLabel = "TIME",
                description = "the time that the demo's clock shows when it is ready, such as 2027-03-01T05:20+01:00"
                        + " (default: now, plus what the clock has been moved by)")
        OffsetDateTime clock;

        @Option(
                names = "--die-behind",
                hidden = true,
                description = "dies there, once; for tests of what a crash leaves")
        Arrow dieBehind;

        @Option(
                names = "--fail-third",
                hidden = true,
                description =
                        "has the third unit of each kind of work fail so, always; for tests of what a fault concerns")
        FailingUnit.Fault failThird;

        @Override
        public Integer call() {
            int mailPort = smtpPort == 0 ? ServerStart.freePort() : smtpPort;
            HouseSettings settings = new HouseSettings(
                    place.data,
                    Optional.empty(),
                    1,
                    "http://localhost:" + place.port,
                    new MailSettings(
                            "mail-shelf@brinewater.example", "localhost", mailPort, MailTls.NEVER, Optional.empty()),
                    place.sourceRoots,
                    place.largestLoad * MEGABYTE,
                    "",
                    Optional.of(new DemoSettings(
                            tickets,
                            Optional.ofNullable(clock).map(OffsetDateTime::toInstant),
                            Optional.ofNullable(dieBehind),
                            Optional.ofNullable(failThird))));
            return ServerStart.run(settings, "localhost", place.port, place.fresh);
        }
    }
}
