/**
 * The one gate that rights pass: every route, file, preview and copy asks here.
 * Open {@link mailshelf.server.rights.Gate} first.
 */
package mailshelf.server.rights;
