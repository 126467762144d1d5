/**
 * Registered sources: databases and watched folders that data sets come from.
 * Open {@link mailshelf.server.source.MindSources} first.
 */
package mailshelf.server.source;
