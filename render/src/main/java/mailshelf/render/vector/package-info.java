/**
 * Decides how what Java draws becomes vectors: one thin Graphics2D, written as PDF operators or as SVG.
 * It does what charts and pages need (filled and stroked shapes, text, clips) and refuses the rest loudly.
 * Open {@link mailshelf.render.vector.VectorGraphics} first.
 */
package mailshelf.render.vector;
