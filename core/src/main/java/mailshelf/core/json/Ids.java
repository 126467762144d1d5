package mailshelf.core.json;

import java.util.function.LongFunction;
import mailshelf.core.Id;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadId;
import mailshelf.core.data.SourceId;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.DeliveryId;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.delivery.RunId;
import mailshelf.core.named.NamedId;
import mailshelf.core.report.ClippingId;
import mailshelf.core.report.CutId;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.GroupId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.RequestId;
import mailshelf.core.subscription.ApprovalId;
import mailshelf.core.subscription.SubscriptionId;

/** The kinds of ids there are: in JSON and in addresses each is its number. */
public final class Ids {
    private Ids() {}

    /** What is to be done for a kind. */
    public interface Use {
        <T extends Id> void use(Class<T> type, LongFunction<T> of);
    }

    public static void each(Use use) {
        use.use(DataSetId.class, DataSetId::new);
        use.use(LoadId.class, LoadId::new);
        use.use(SourceId.class, SourceId::new);
        use.use(ReportId.class, ReportId::new);
        use.use(CutId.class, CutId::new);
        use.use(ClippingId.class, ClippingId::new);
        use.use(SubscriptionId.class, SubscriptionId::new);
        use.use(RunId.class, RunId::new);
        use.use(IssueId.class, IssueId::new);
        use.use(CopyId.class, CopyId::new);
        use.use(DeliveryId.class, DeliveryId::new);
        use.use(PersonId.class, PersonId::new);
        use.use(GroupId.class, GroupId::new);
        use.use(FolderId.class, FolderId::new);
        use.use(RequestId.class, RequestId::new);
        use.use(NamedId.class, NamedId::new);
        use.use(ApprovalId.class, ApprovalId::new);
    }
}
