/**
 * Makes files, pictures and mails from pages whose figures are filled in and whose words are written.
 * Nothing here computes a figure; what it draws is what {@link mailshelf.core.report.Written} says.
 * Open {@link mailshelf.render.paper.PageSetter} first, then {@link mailshelf.render.pdf.PdfFile}.
 */
package mailshelf.render;
