/**
 * Decides when something happens: schedules and their occurrences, periods and the days they mean.
 * No clock is read here; every method is given its moment.
 * Open {@link mailshelf.core.time.Schedule} first.
 */
package mailshelf.core.time;
