/**
 * Decides what a PDF file holds: sheets as content streams, and fonts that are cut down and packed once.
 * Open {@link mailshelf.render.pdf.PdfFile} first.
 */
package mailshelf.render.pdf;
