/**
 * Finding and reading reports, and publishing them.
 * Open {@link mailshelf.server.library.ReadReport} first.
 */
package mailshelf.server.library;
