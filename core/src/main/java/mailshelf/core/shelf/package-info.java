/**
 * Decides what the archive holds of an issue and how one issue is chained to the one before.
 * Manifests are canonical JSON (RFC 8785), so that their checksum is a matter of content alone.
 * Open {@link mailshelf.core.shelf.Manifest} first.
 */
package mailshelf.core.shelf;
