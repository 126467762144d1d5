package mailshelf.server;

import java.time.InstantSource;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.delivery.FaultPoint;
import mailshelf.server.people.PasswordLinks;
import mailshelf.server.work.FailingUnit;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.IdempotencyStore;
import mailshelf.store.SettingStore;
import mailshelf.store.archive.Archive;
import mailshelf.store.audit.AuditStore;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.DueLoads;
import mailshelf.store.data.LoadFiles;
import mailshelf.store.delivery.BlockedStore;
import mailshelf.store.delivery.DeliveryStore;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.delivery.WorkerStore;
import mailshelf.store.library.ClippingStore;
import mailshelf.store.library.CutStore;
import mailshelf.store.library.ReadingStore;
import mailshelf.store.library.ReportStore;
import mailshelf.store.named.NamedStore;
import mailshelf.store.people.AddressChangeStore;
import mailshelf.store.people.FolderStore;
import mailshelf.store.people.InvitationStore;
import mailshelf.store.people.NoticeStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.people.RequestStore;
import mailshelf.store.people.SessionStore;
import mailshelf.store.people.ThrottleStore;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.source.Databases;
import mailshelf.store.source.Secrets;
import mailshelf.store.source.SourceRoots;
import mailshelf.store.source.SourceStore;
import mailshelf.store.subscription.ApprovalStore;
import mailshelf.store.subscription.SubscriptionStore;
import mailshelf.store.work.WorkFailureStore;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Makes the parts that know nothing of Spring; the only place that creates a clock. */
@Configuration(proxyBeanMethods = false)
class Wiring {
    @Bean
    static InstantSource machineClock() {
        return InstantSource.system();
    }

    @Bean(destroyMethod = "close")
    Database database(HouseSettings settings) {
        return settings.database()
                .map(at -> Database.connect(at, settings.data()))
                .orElseGet(() -> Database.open(settings.data()));
    }

    @Bean
    Durable durable(Database database) {
        return new Durable(database);
    }

    /** A demo that is started with a time goes on from where its clock was left, and is moved there when it opens. */
    @Bean
    BusinessClock businessClock(
            InstantSource machineClock, Database database, SettingStore stored, HouseSettings settings) {
        BusinessClock clock = new BusinessClock(machineClock, database, stored);
        if (settings.demo().flatMap(DemoSettings::clock).isPresent()) {
            clock.continueWhereItWasLeft();
        }
        return clock;
    }

    @Bean
    Archive archive(HouseSettings settings) {
        return new Archive(settings.data());
    }

    @Bean
    PasswordLinks passwordLinks(InvitationStore invitations, HouseSettings settings, InstantSource machineClock) {
        return new PasswordLinks(invitations, settings.baseUrl(), machineClock);
    }

    @Bean
    ThrottleStore throttleStore() {
        return new ThrottleStore();
    }

    @Bean
    AddressChangeStore addressChangeStore() {
        return new AddressChangeStore();
    }

    @Bean
    BlockedStore blockedStore() {
        return new BlockedStore();
    }

    @Bean
    LoadFiles loadFiles(HouseSettings settings) {
        return new LoadFiles(settings.data());
    }

    @Bean
    IdempotencyStore idempotencyStore() {
        return new IdempotencyStore();
    }

    @Bean
    SettingStore settingStore() {
        return new SettingStore();
    }

    @Bean
    PersonStore personStore() {
        return new PersonStore();
    }

    @Bean
    NoticeStore noticeStore() {
        return new NoticeStore();
    }

    @Bean
    InvitationStore invitationStore() {
        return new InvitationStore();
    }

    @Bean
    SessionStore sessionStore() {
        return new SessionStore();
    }

    @Bean
    RequestStore requestStore() {
        return new RequestStore();
    }

    @Bean
    FolderStore folderStore() {
        return new FolderStore();
    }

    @Bean
    DataSetStore dataSetStore() {
        return new DataSetStore();
    }

    @Bean
    SourceStore sourceStore() {
        return new SourceStore();
    }

    @Bean
    Secrets secrets(HouseSettings settings) {
        return new Secrets(settings.data());
    }

    @Bean
    Databases databases(Secrets secrets) {
        return new Databases(secrets);
    }

    @Bean
    SourceRoots sourceRoots(HouseSettings settings) {
        return new SourceRoots(settings.sourceRoots(), settings.data());
    }

    @Bean
    DueLoads dueLoads() {
        return new DueLoads();
    }

    @Bean
    ReportStore reportStore() {
        return new ReportStore();
    }

    @Bean
    ClippingStore clippingStore() {
        return new ClippingStore();
    }

    @Bean
    NamedStore namedStore() {
        return new NamedStore();
    }

    @Bean
    CutStore cutStore() {
        return new CutStore();
    }

    @Bean
    ReadingStore readingStore() {
        return new ReadingStore();
    }

    @Bean
    SubscriptionStore subscriptionStore() {
        return new SubscriptionStore();
    }

    @Bean
    RunStore runStore() {
        return new RunStore();
    }

    @Bean
    DeliveryStore deliveryStore() {
        return new DeliveryStore();
    }

    @Bean
    AuditStore auditStore() {
        return new AuditStore();
    }

    @Bean
    ApprovalStore approvalStore() {
        return new ApprovalStore();
    }

    @Bean
    WorkerStore workerStore() {
        return new WorkerStore();
    }

    @Bean
    FaultPoint faultPoint(HouseSettings settings) {
        return new FaultPoint(settings.demo().flatMap(DemoSettings::deadlyArrow));
    }

    @Bean
    FailingUnit failingUnit(HouseSettings settings) {
        return new FailingUnit(settings.demo().flatMap(DemoSettings::fault));
    }

    @Bean
    WorkFailureStore workFailureStore() {
        return new WorkFailureStore();
    }

    @Bean
    IssueStore issueStore() {
        return new IssueStore();
    }
}
