/**
 * Pages as files to calculate with: typed values from the page model, not the words that people read.
 * Open {@link mailshelf.render.sheet.PageXlsx} first.
 */
package mailshelf.render.sheet;
