package mailshelf.server;

import java.time.Instant;
import java.util.Optional;
import mailshelf.server.delivery.Arrow;
import mailshelf.server.work.FailingUnit;

/**
 * What a demo is started with.
 *
 * @param tickets how many rows the largest data set of a new demo has
 * @param clock the moment that its clock shows once it has started; empty where it runs with the machine's clock
 * @param deadlyArrow where a test has the process die
 * @param fault what a test has a unit of each kind of work fail with
 */
public record DemoSettings(
        long tickets, Optional<Instant> clock, Optional<Arrow> deadlyArrow, Optional<FailingUnit.Fault> fault) {}
