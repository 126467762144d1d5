/**
 * Joins core, render and store into a running server: HTTP, sign-in, the delivery loop, mail.
 * A use case is one class named with a verb, beside its controller.
 * Open {@link mailshelf.server.Main} first.
 */
package mailshelf.server;
