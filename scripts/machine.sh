# What a machine needs and how it gets it; sourced by ./run, ./test and ./mailshelf, which set $home first.

tools=$home/.tools
[ -d "$tools/node_modules/node/bin" ] && PATH=$tools/node_modules/node/bin:$PATH
export PATH

can_install() { [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; }

# $1: what is needed, in words; the rest: Debian's packages that bring it
install_or_say() {
    what=$1; shift
    can_install || { echo "$what is needed: install it (on Debian: apt-get install $*) and start again." >&2; exit 2; }
    echo "Installing $* ..." >&2
    export DEBIAN_FRONTEND=noninteractive
    apt-get -qq update >/dev/null && apt-get -qq install -y --no-install-recommends "$@" >/dev/null
}

# True when version $1 is at least $2
at_least() { [ "$(printf '%s\n%s\n' "$2" "$1" | sort -V | head -1)" = "$2" ]; }

java_version() { javac -version 2>&1 | sed -n 's/^javac \([0-9.]*\).*/\1/p'; }
maven_version() { mvn --version 2>/dev/null | sed -n 's/.*Apache Maven \([0-9.]*\).*/\1/p' | head -1; }
node_version() { node --version 2>/dev/null | tr -d v; }

need_java() {
    at_least "$(java_version)" 17 || install_or_say "A Java development kit, 17 or newer," openjdk-17-jdk-headless
}

need_maven() {
    at_least "$(maven_version)" 3.8 || install_or_say "Maven, 3.8 or newer," maven
}

# Debian's own Node is too old for the web part's tools, but it can fetch a newer one.
need_node() {
    at_least "$(node_version)" 20.19 && command -v npm >/dev/null && return
    command -v npm >/dev/null || install_or_say "Node, 20.19 or newer, with npm," nodejs npm
    at_least "$(node_version)" 20.19 || npm install --silent --no-audit --no-fund --prefix "$tools" node@22
    PATH=$tools/node_modules/node/bin:$PATH
    at_least "$(node_version)" 20.19 || { echo "Node, 20.19 or newer, is needed: install it and start again." >&2; exit 2; }
}

need_chromium() {
    [ -x /usr/bin/chromium ] || install_or_say "Chromium, for the browser tests," chromium
}

# Data sets that come from PostgreSQL are tested against it where it can be had; it is not needed for anything else.
want_postgresql() {
    ls -d /usr/lib/postgresql/*/bin/initdb >/dev/null 2>&1 && return
    can_install || { echo "Without PostgreSQL: what needs it is not tested (on Debian: apt-get install postgresql)." >&2; return; }
    # a cluster of the machine's own is none of our business
    [ -d /etc/postgresql-common ] || { mkdir -p /etc/postgresql-common; echo "create_main_cluster = false" >/etc/postgresql-common/createcluster.conf; }
    (install_or_say "PostgreSQL" postgresql) || echo "PostgreSQL cannot be installed: what needs it is not tested." >&2
}

# Two programs: the product, and the product with the demo, which lets anybody sign in and brings its own mail server.
# $1: "server" or "demo"; sets where its jar is built and where it is unpacked to.
choose() {
    program=$1
    jar=$home/$program/target/mailshelf-$program.jar
    app=$home/.app/$program
}

# a process that has run out of memory ends rather than stand without its loops; who supervises it starts it again
start="-XX:+UseParallelGC -XX:+ExitOnOutOfMemoryError -Dspring.aot.enabled=true"

sources() {
    find "$home"/pom.xml "$home"/core "$home"/render "$home"/store "$home"/server "$home"/demo "$home"/web -type f \
        -not -path '*/target/*' -not -path '*/node_modules/*' -not -path '*/dist/*' "$@"
}

# Makes the jars where there are none, and with "changed" also where a source is newer.
build() {
    last=$home/demo/target/mailshelf-demo.jar
    if [ -f "$last" ] && { [ "${1:-}" != changed ] || [ -z "$(sources -newer "$last" | head -1)" ]; }; then return; fi
    need_java; need_maven; need_node
    echo "Building Mail Shelf; the first time takes some minutes ..." >&2
    (cd "$home" && mvn -q -B package -DskipTests -pl demo -am) >&2
}

# Unpacks the jar and records the classes that a start loads: both make every later start faster.
# One start at a time: what another runs from must not be taken away under it.
unpack() {
    mkdir -p "$home/.app"
    exec 9>"$app.lock"
    flock 9
    if ! { [ -f "$app/mailshelf.jsa" ] && [ "$app/mailshelf.jsa" -nt "$jar" ]; }; then unpack_anew; fi
    exec 9>&-
}

unpack_anew() {
    fresh=$app.$$
    java -Djarmode=tools -jar "$jar" extract --destination "$fresh" >/dev/null
    rm -rf "$app"
    mv "$fresh" "$app"
    trial=$(mktemp -d)
    case $program in demo) command=demo ;; *) command=serve ;; esac
    # shellcheck disable=SC2086 # several options
    java $start -XX:ArchiveClassesAtExit="$app/mailshelf.jsa" -Xlog:cds=off -Xlog:cds+dynamic=off \
        -Dspring.context.exit=onRefresh -jar "$app/mailshelf-$program.jar" $command --data "$trial" --port 0 \
        >/dev/null 2>&1 || true
    rm -rf "$trial"
}
