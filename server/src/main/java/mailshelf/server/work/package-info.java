/**
 * Has a failing unit of work concern itself alone, and shows what is set aside to those who can do something about it.
 * Open {@link mailshelf.server.work.WorkIsolation} first.
 */
package mailshelf.server.work;
