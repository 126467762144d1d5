package mailshelf.demo;

import java.time.OffsetDateTime;
import java.util.Optional;
import java.util.concurrent.Callable;
import mailshelf.server.CannotStart;
import mailshelf.server.DemoSettings;
import mailshelf.server.HouseSettings;
import mailshelf.server.MailSettings;
import mailshelf.server.Place;
import mailshelf.server.ServerStart;
import mailshelf.server.delivery.Arrow;
import mailshelf.server.mail.MailTls;
import mailshelf.server.work.FailingUnit;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** The demo, from a shell. */
@Command(
        name = "demo",
        description = "Starts the demo: a made-up ferry operator, with a mail room and a clock that can be moved.",
        mixinStandardHelpOptions = true)
final class StartDemo implements Callable<Integer> {
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

    @Option(names = "--die-behind", hidden = true, description = "dies there, once; for tests of what a crash leaves")
    Arrow dieBehind;

    @Option(
            names = "--fail-third",
            hidden = true,
            description = "has the third unit of each kind of work fail so, always; for tests of what a fault concerns")
    FailingUnit.Fault failThird;

    @Override
    public Integer call() throws CannotStart {
        int mailPort = smtpPort == 0 ? ServerStart.freePort() : smtpPort;
        HouseSettings settings = new HouseSettings(
                place.data(),
                Optional.empty(),
                1,
                "http://localhost:" + place.port(),
                new MailSettings(
                        "mail-shelf@brinewater.example", "localhost", mailPort, MailTls.NEVER, Optional.empty()),
                place.sourceRoots(),
                place.largestLoadBytes(),
                "",
                Optional.of(new DemoSettings(
                        tickets,
                        Optional.ofNullable(clock).map(OffsetDateTime::toInstant),
                        Optional.ofNullable(dieBehind),
                        Optional.ofNullable(failThird))));
        ServerStart.run(DemoApp.PROGRAM, settings, "localhost", place);
        return 0;
    }
}
