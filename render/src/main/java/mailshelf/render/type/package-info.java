/**
 * Decides how letters look: the house's fonts, their widths, and the part of them that a file carries.
 * The same TrueType files measure for paper, picture and chart.
 * Open {@link mailshelf.render.type.HouseFont} first.
 */
package mailshelf.render.type;
