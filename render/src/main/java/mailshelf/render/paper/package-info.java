/**
 * Decides how a page is set on paper: heading, figures, charts and tables, broken over sheets.
 * It draws on any Graphics2D; PDF and picture give it theirs.
 * Open {@link mailshelf.render.paper.PageSetter} first.
 */
package mailshelf.render.paper;
