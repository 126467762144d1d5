package mailshelf.bench;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;

/**
 * A mail server that takes all and keeps of each mail its Message-ID alone (RFC 5321, without extensions). A mail counts
 * as accepted from before the answer to its final dot is sent, as with any server. Thread-safe.
 */
final class MailSink implements AutoCloseable {
    private static final byte[] END = "\r\n.\r\n".getBytes(StandardCharsets.US_ASCII);
    private static final int HEAD_BYTES = 8192;
    private static final String MESSAGE_ID = "\nMessage-ID: ";

    private final ServerSocket listening;

    /** Run and recipient to the Message-IDs of what was accepted, one each time. */
    private final Map<String, List<String>> accepted = new ConcurrentHashMap<>();

    MailSink() throws IOException {
        listening = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
        daemon(this::listen);
    }

    int port() {
        return listening.getLocalPort();
    }

    /** The Message-ID of a run's mail to somebody, as often as it was accepted. */
    List<String> accepted(long run, String recipient) {
        return accepted.getOrDefault(key("<run-" + run, recipient), List.of());
    }

    private static String key(String run, String recipient) {
        return run + " " + recipient;
    }

    /** How many mails were accepted, each counted once. */
    int distinct() {
        return accepted.size();
    }

    private static void daemon(Runnable work) {
        Thread thread = new Thread(work, "sink");
        thread.setDaemon(true);
        thread.start();
    }

    private void listen() {
        try {
            while (true) {
                Socket socket = listening.accept();
                daemon(() -> serve(socket));
            }
        } catch (IOException e) {
            // closed
        }
    }

    private void serve(Socket socket) {
        try (socket) {
            socket.setTcpNoDelay(true);
            InputStream in = new BufferedInputStream(socket.getInputStream(), 65_536);
            OutputStream out = new BufferedOutputStream(socket.getOutputStream());
            say(out, "220 sink");
            String recipient = "";
            for (String line = line(in); !line.isEmpty() && !line.startsWith("QUIT"); line = line(in)) {
                if (line.startsWith("RCPT")) {
                    recipient = line.substring(line.indexOf('<') + 1, line.indexOf('>'));
                }
                if (line.startsWith("DATA")) {
                    say(out, "354 go on");
                    accept(recipient, in);
                }
                say(out, "250 OK");
            }
        } catch (IOException e) {
            // the client has gone; what it did not finish was not accepted
        }
    }

    private void accept(String recipient, InputStream in) throws IOException {
        String head = head(in);
        int at = head.indexOf(MESSAGE_ID) + MESSAGE_ID.length();
        String messageId = head.substring(at, head.indexOf('\r', at));
        String run = messageId.substring(0, messageId.indexOf('.'));
        accepted.computeIfAbsent(key(run, recipient), id -> new CopyOnWriteArrayList<>())
                .add(messageId);
    }

    /**
     * Reads a mail to its final dot, behind which a client waits for the answer; its beginning, which holds the headers.
     */
    private static String head(InputStream in) throws IOException {
        byte[] some = new byte[65_536];
        byte[] end = new byte[END.length];
        ByteArrayOutputStream head = new ByteArrayOutputStream();
        do {
            int read = in.read(some);
            if (read < 0) {
                throw new IOException("the mail was cut off");
            }
            head.write(some, 0, Math.min(read, Math.max(0, HEAD_BYTES - head.size())));
            int kept = Math.max(0, END.length - read);
            System.arraycopy(end, END.length - kept, end, 0, kept);
            System.arraycopy(some, read - (END.length - kept), end, kept, END.length - kept);
        } while (!Arrays.equals(end, END));
        return head.toString(StandardCharsets.ISO_8859_1);
    }

    private static String line(InputStream in) throws IOException {
        StringBuilder line = new StringBuilder();
        for (int next = in.read(); next >= 0 && next != '\n'; next = in.read()) {
            line.append((char) next);
        }
        return line.toString();
    }

    private static void say(OutputStream out, String line) throws IOException {
        out.write((line + "\r\n").getBytes(StandardCharsets.US_ASCII));
        out.flush();
    }

    @Override
    public void close() {
        try {
            listening.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
