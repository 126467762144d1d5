/**
 * The demo: a made-up ferry operator, generated from a fixed seed and entered through the API, and its movable clock.
 * Open {@link mailshelf.demo.DemoHouse} first.
 */
package mailshelf.demo;
