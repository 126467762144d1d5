package mailshelf.bench;

import picocli.CommandLine;
import picocli.CommandLine.Command;

/** What Mail Shelf costs and withstands, measured; the results stand in docs/performance.md. */
@Command(
        name = "bench",
        description = "Measures Mail Shelf.",
        mixinStandardHelpOptions = true,
        subcommands = {
            CopyCost.class,
            PageEvaluation.class,
            Loading.class,
            Reading.class,
            LargeSend.class,
            KillRounds.class,
            StopInRun.class,
            Mingled.class,
            Hostile.class,
            Views.class
        })
public final class Bench {
    private Bench() {}

    public static void main(String[] arguments) {
        System.exit(new CommandLine(new Bench()).execute(arguments));
    }
}
