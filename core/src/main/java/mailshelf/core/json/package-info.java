/**
 * Decides how core's values are kept as JSON: page models, terms, manifests, and the pieces of kept mails.
 * What was once written stays readable; golden files in the tests hold that.
 * Open {@link mailshelf.core.json.CoreJson} first.
 */
package mailshelf.core.json;
