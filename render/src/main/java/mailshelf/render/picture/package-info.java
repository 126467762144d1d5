/**
 * Decides how a page becomes a PNG picture.
 * Open {@link mailshelf.render.picture.PagePicture} first.
 */
package mailshelf.render.picture;
