/**
 * Decides how the HTTP interface looks in general: problems, JSON, the description of the API, the web application's files.
 * Open {@link mailshelf.server.http.ProblemAnswers} first.
 */
package mailshelf.server.http;
