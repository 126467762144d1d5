/**
 * Measures what Mail Shelf costs and withstands: CPU time of single steps in this process, and the real server under
 * load. Never part of the tests. Open {@link mailshelf.bench.Bench} first.
 */
package mailshelf.bench;
