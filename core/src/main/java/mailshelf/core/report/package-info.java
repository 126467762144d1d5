/**
 * Decides what stands on a page: the definition that a publisher writes and the page with all figures filled in.
 * Every output (browser, mail, PDF, picture) is made from the same {@link mailshelf.core.report.PageModel}.
 * Open {@link mailshelf.core.report.Definition} first, then {@link mailshelf.core.report.Evaluation}.
 */
package mailshelf.core.report;
