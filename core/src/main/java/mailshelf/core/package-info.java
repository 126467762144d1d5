/**
 * The job itself, without I/O, framework or clock: from a report and its rows to an issue on the shelf.
 * Read the rooms in this order: time, data, report, subscription, delivery, shelf, rights.
 * A fault that the caller can act on is a {@link mailshelf.core.Problem}.
 */
package mailshelf.core;
