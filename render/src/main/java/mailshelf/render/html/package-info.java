/** Pages as HTML: what all of it is put together with, and a file that stands alone. */
package mailshelf.render.html;
