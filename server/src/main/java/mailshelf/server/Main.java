package mailshelf.server;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import mailshelf.server.mail.MailTls;
import mailshelf.server.offline.CheckAdvisories;
import mailshelf.server.offline.CheckReport;
import mailshelf.server.offline.RenderReport;
import mailshelf.server.offline.ShowNotices;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** The command line: everything that Mail Shelf can be asked from a shell. */
@Command(
        name = "mailshelf",
        description = "Subscribes people to pages of reports, mails them on time, and keeps every issue on the shelf.",
        mixinStandardHelpOptions = true,
        footer = "Without a server of its own to try it on, start the demo, a program beside this one.",
        versionProvider = Main.Version.class,
        subcommands = {
            Main.Serve.class,
            KeepDatabase.class,
            VerifyArchive.class,
            AdministratorLink.class,
            ShowNotices.class,
            CheckAdvisories.class,
            CheckReport.class,
            RenderReport.class
        })
public final class Main implements Callable<Integer> {
    /** Wrong use, or something outside that must be put right first. */
    static final int USAGE = 2;

    private static final String SMTP_PASSWORD = "MAILSHELF_SMTP_PASSWORD";

    private Main() {}

    public static void main(String[] arguments) {
        run(arguments, List.of());
    }

    /** @param more commands beside those of every program */
    public static void run(String[] arguments, List<?> more) {
        CommandLine line = new CommandLine(new Main());
        more.forEach(line::addSubcommand);
        line.setExecutionExceptionHandler((failure, command, parsed) -> {
            if (failure instanceof CannotStart) {
                System.err.println(failure.getMessage());
                return USAGE;
            }
            throw failure;
        });
        int status = line.setCaseInsensitiveEnumValuesAllowed(true).execute(arguments);
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
        public Integer call() throws CannotStart {
            String url = baseUrl == null ? "http://localhost:" + place.port() : HouseSettings.withoutSlash(baseUrl);
            Optional<MailSettings.Login> login = Optional.ofNullable(smtpUser)
                    .map(user -> new MailSettings.Login(user, System.getenv().getOrDefault(SMTP_PASSWORD, "")));
            if (login.filter(of -> of.password().isEmpty()).isPresent()) {
                System.err.println("--smtp-user needs its password in the environment variable " + SMTP_PASSWORD + ".");
                return USAGE;
            }
            // a password is sent over an encrypted connection or not at all
            MailTls tls = login.isPresent() ? MailTls.REQUIRED : smtpTls;
            HouseSettings settings = new HouseSettings(
                    place.data(),
                    database,
                    serverNumber,
                    url,
                    new MailSettings(mailAddress, smtpHost, smtpPort, tls, login),
                    place.sourceRoots(),
                    place.largestLoadBytes(),
                    proxies,
                    Optional.empty());
            if (place.fresh() && database.isPresent()) {
                System.err.println("--fresh empties what other servers use: leave it out, or leave out --database.");
                return USAGE;
            }
            ServerStart.run(HouseApp.PROGRAM, settings, address, place);
            return 0;
        }
    }
}
