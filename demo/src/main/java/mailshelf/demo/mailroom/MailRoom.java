package mailshelf.demo.mailroom;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import mailshelf.server.HouseSettings;
import mailshelf.server.clock.BusinessClock;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.subethamail.smtp.MessageContext;
import org.subethamail.smtp.MessageHandler;
import org.subethamail.smtp.RejectException;
import org.subethamail.smtp.server.SMTPServer;
import org.subethamail.smtp.server.Session;

/** The stand-in mail server: listens on a loopback port and keeps what it accepts. Runs before the loop sends. */
@Component
class MailRoom implements SmartLifecycle {
    private static final long SLOW_MILLIS = 2000;
    private static final long SILENT_MILLIS = 60_000;
    private static final Duration GREYLISTED = Duration.ofMinutes(1);

    private final Inboxes inboxes;
    private final HouseSettings settings;
    private final InstantSource businessClock;
    private final Map<String, Instant> firstAsked = new ConcurrentHashMap<>();
    private SMTPServer server;

    MailRoom(HouseSettings settings, InstantSource machineClock, BusinessClock businessClock) {
        this.businessClock = businessClock;
        this.inboxes = new Inboxes(settings.data(), machineClock);
        this.settings = settings;
    }

    Inboxes inboxes() {
        return inboxes;
    }

    @Override
    public void start() {
        server = SMTPServer.port(settings.mail().port())
                .bindAddress(InetAddress.getLoopbackAddress())
                .hostName("mail-room.brinewater.example")
                .insertReceivedHeaders(false) // what is kept is what was sent, to the byte
                .messageHandlerFactory(Handler::new)
                .build();
        server.start();
    }

    @Override
    public void stop() {
        server.stop();
        server = null;
    }

    @Override
    public boolean isRunning() {
        return server != null;
    }

    /** First to start, last to stop. */
    @Override
    public int getPhase() {
        return Integer.MIN_VALUE;
    }

    private final class Handler implements MessageHandler {
        private final MessageContext context;
        private final List<String> recipients = new ArrayList<>();

        private Handler(MessageContext context) {
            this.context = context;
        }

        @Override
        public void from(String from) {
            // anybody may send to the stand-in
        }

        @Override
        public void recipient(String recipient) throws RejectException {
            switch (inboxes.behaviour(recipient)) {
                case REFUSE_FOR_NOW -> throw new RejectException(452, "4.2.2 mailbox full");
                case REFUSE_FOR_GOOD -> throw new RejectException(550, "5.1.1 no such mailbox");
                case GREYLIST -> greylist(recipient);
                case SILENT -> pause(SILENT_MILLIS);
                case DROP_BEFORE_FINAL_DOT -> hangUp();
                default -> {
                    // taken, or treated once it is there
                }
            }
            recipients.add(recipient);
        }

        @Override
        public String data(InputStream data) throws IOException {
            byte[] mail = data.readAllBytes();
            boolean drop = false;
            for (String recipient : recipients) {
                Misbehaviour behaviour = inboxes.behaviour(recipient);
                if (behaviour == Misbehaviour.SLOW) {
                    pause(SLOW_MILLIS);
                }
                inboxes.deliver(recipient, mail);
                drop |= behaviour == Misbehaviour.DROP_AFTER_FINAL_DOT;
            }
            if (drop) {
                hangUp();
            }
            return "queued";
        }

        private void greylist(String recipient) throws RejectException {
            Instant now = businessClock.instant();
            if (now.isBefore(firstAsked.computeIfAbsent(recipient, r -> now).plus(GREYLISTED))) {
                throw new RejectException(451, "4.7.1 greylisted, come back later");
            }
        }

        private void hangUp() {
            try {
                ((Session) context).getSocket().close();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }

        private void pause(long millis) {
            try {
                Thread.sleep(millis);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }

        @Override
        public void done() {
            // nothing is held
        }
    }
}
