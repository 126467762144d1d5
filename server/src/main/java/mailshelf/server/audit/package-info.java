/**
 * Keeps and shows the audit trail.
 * Open {@link mailshelf.server.audit.AuditTrail} first.
 */
package mailshelf.server.audit;
