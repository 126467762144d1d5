# Keeps a server running; sourced by ./mailshelf.

# How Java ends a process that has run out of memory (-XX:+ExitOnOutOfMemoryError)
out_of_memory=3

# Runs a command and ends as it does, but starts it again when it has run out of memory: at once, then after growing
# pauses. What empties the data folder is done the first time alone.
supervise() {
    pause=0
    stopped=
    server=
    trap 'stopped=yes; end_server' HUP INT TERM
    while :; do
        "$@" &
        server=$!
        # told to stop before it was known which server is meant
        [ -z "$stopped" ] || end_server
        await
        if [ "$status" != $out_of_memory ] || [ -n "$stopped" ]; then return "$status"; fi
        echo "Mail Shelf has run out of memory and is started again. If that happens often, give it more with" \
            "MAILSHELF_JAVA_OPTIONS=-Xmx4g or the like." >&2
        sleep $pause
        if [ -n "$stopped" ]; then return "$status"; fi
        pause=$((pause < 30 ? pause * 2 + 1 : 60))
        for word do
            shift
            [ "$word" = --fresh ] || set -- "$@" "$word"
        done
    done
}

end_server() {
    [ -z "$server" ] || kill -TERM "$server" 2>/dev/null || :
}

# A signal ends a wait before the server has ended.
await() {
    while :; do
        status=0
        wait "$server" || status=$?
        if [ "$status" -le 128 ] || ! kill -0 "$server" 2>/dev/null; then return; fi
    done
}
