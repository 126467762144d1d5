package mailshelf.server.mail;

import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import javax.net.SocketFactory;

/** Plain sockets with TCP_NODELAY. */
final class NoDelaySockets extends SocketFactory {
    private static Socket noDelay(Socket socket) throws IOException {
        socket.setTcpNoDelay(true);
        return socket;
    }

    @Override
    public Socket createSocket() throws IOException {
        return noDelay(new Socket());
    }

    @Override
    public Socket createSocket(String host, int port) throws IOException {
        return noDelay(new Socket(host, port));
    }

    @Override
    public Socket createSocket(String host, int port, InetAddress local, int localPort) throws IOException {
        return noDelay(new Socket(host, port, local, localPort));
    }

    @Override
    public Socket createSocket(InetAddress host, int port) throws IOException {
        return noDelay(new Socket(host, port));
    }

    @Override
    public Socket createSocket(InetAddress host, int port, InetAddress local, int localPort) throws IOException {
        return noDelay(new Socket(host, port, local, localPort));
    }
}
