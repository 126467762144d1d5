/**
 * Decides how things are written for people: words from message files, numbers and dates by locale.
 * There is one formatter; the browser, files and mails all show what it wrote.
 * Open {@link mailshelf.core.wording.Words} first.
 */
package mailshelf.core.wording;
