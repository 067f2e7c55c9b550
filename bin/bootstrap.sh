# Shared by bin/start and bin/test: brings a machine to the point where Sartal can run.
# Sourced, not run. Every step is skipped when there is nothing to do.

ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
STATE="$ROOT/.sartal"
mkdir -p "$STATE"

say()  { printf '%s\n' "$*"; }
fail() { printf 'Sartal: %s\n' "$*" >&2; exit 1; }

DEBIAN_PACKAGES=(php8.2-pgsql php8.2-curl php8.2-mbstring php8.2-xml php8.2-intl php8.2-zip php8.2-gd php8.2-gmp postgresql)

have_package() { [ "$(dpkg-query -W -f='${db:Status-Status}' "$1" 2>/dev/null)" = installed ]; }

# Debian packages named, as root directly or through sudo; otherwise says the one line to run.
need_packages() {
    local missing=()
    for name in "$@"; do have_package "$name" || missing+=("$name"); done
    [ ${#missing[@]} -eq 0 ] && return
    command -v apt-get >/dev/null || fail "these Debian packages are missing and there is no apt-get here: ${missing[*]}"
    local as=()
    if [ "$(id -u)" -ne 0 ]; then
        if command -v sudo >/dev/null && sudo -n true 2>/dev/null; then as=(sudo); else
            fail "some Debian packages are missing. Run this, then start again:  su -c 'apt-get update && apt-get install -y --no-install-recommends ${missing[*]}'"
        fi
    fi
    say "Installing Debian packages: ${missing[*]}"
    "${as[@]}" apt-get update -qq >"$STATE/apt.log" 2>&1 || fail "apt-get update failed; see .sartal/apt.log."
    # Debian would start a cluster of its own; ours is the only one that is wanted.
    "${as[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends \
        -o DPkg::Lock::Timeout=120 "${missing[@]}" >>"$STATE/apt.log" 2>&1 || fail "installing Debian packages failed; see .sartal/apt.log."
}

need_tools() {
    for tool in php composer node npm; do
        command -v "$tool" >/dev/null || fail "$tool is missing. Sartal needs PHP 8.2, Composer 2 and Node 20 or newer."
    done
    php -r 'exit(PHP_VERSION_ID >= 80200 ? 0 : 1);' || fail "PHP 8.2 or newer is needed; this is $(php -r 'echo PHP_VERSION;')."
    [ "$(node -p 'parseInt(process.versions.node)')" -ge 20 ] || fail "Node 20 or newer is needed; this is $(node -v)."
}

fingerprint() { cat "$@" 2>/dev/null | sha256sum | cut -d' ' -f1; }

# once NAME FINGERPRINT COMMAND…: runs the command unless it succeeded before with the same fingerprint.
once() {
    local name=$1 mark=$2; shift 2
    [ "$(cat "$STATE/$name.done" 2>/dev/null)" = "$mark" ] && return 0
    "$@" || return 1
    printf '%s' "$mark" >"$STATE/$name.done"
}

composer_packages() {
    [ -f "$ROOT/vendor/autoload.php" ] || rm -f "$STATE/composer.done"
    say_once composer "Installing Composer packages" "$(fingerprint "$ROOT/composer.json" "$ROOT/packages/registry-gaps/composer.json")" \
        env COMPOSER_ALLOW_SUPERUSER=1 composer --working-dir="$ROOT" update --no-interaction --no-progress --quiet --no-scripts
}

npm_packages() {
    [ -d "$ROOT/node_modules/vue" ] || rm -f "$STATE/npm.done"
    say_once npm "Installing npm packages" "$(fingerprint "$ROOT/package.json" "$ROOT/package-lock.json")" \
        npm --prefix "$ROOT" ci --no-fund --no-audit --loglevel=error
}

front_end() {
    { [ -f "$ROOT/public/build/manifest.json" ] && [ -f "$ROOT/public/sw.js" ]; } || rm -f "$STATE/build.done"
    local mark
    mark=$(cd "$ROOT" && find resources package-lock.json vite.config.ts vite.sw.config.ts package.json tsconfig.json -type f -print0 | sort -z | xargs -0 sha256sum | sha256sum | cut -d' ' -f1)
    say_once build "Building the interface" "$mark" npm --prefix "$ROOT" run build
}

say_once() {
    local name=$1 words=$2 mark=$3; shift 3
    [ "$(cat "$STATE/$name.done" 2>/dev/null)" = "$mark" ] && return 0
    say "$words (log: .sartal/$name.log)"
    once "$name" "$mark" quietly "$STATE/$name.log" "$@" || fail "$words failed. Last lines of .sartal/$name.log:
$(tail -n 8 "$STATE/$name.log")"
}

quietly() { local log=$1; shift; (cd "$ROOT" && "$@") >"$log" 2>&1; }

port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

free_port() { local port=$1; while ! port_is_free "$port"; do port=$((port + 1)); done; echo "$port"; }

# --- PostgreSQL: a cluster of the project's own, on loopback, over TCP alone ---

as_database_owner() {
    if [ "$(id -u)" -eq 0 ]; then (cd / && setpriv --reuid=postgres --regid=postgres --init-groups "$@"); else "$@"; fi
}

postgres_programs() {
    ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1
}

# A folder that the cluster's owner may enter: the project's own where that works.
data_folder() {
    local name=$1 mark="$STATE/$1.folder"
    if [ ! -s "$mark" ]; then
        local folder="$STATE/$name"
        if [ "$(id -u)" -eq 0 ]; then
            mkdir -p "$folder" && chown postgres: "$folder"
            if ! as_database_owner test -w "$folder"; then
                rmdir "$folder"
                folder="/var/lib/postgresql/sartal-$(printf '%s' "$ROOT/$name" | sha256sum | cut -c1-12)"
                mkdir -p "$folder" && chown postgres: "$folder"
            fi
        else
            mkdir -p "$folder"
        fi
        chmod 700 "$folder"
        printf '%s' "$folder" >"$mark"
    fi
    cat "$mark"
}

# The cluster has an owner, which is used for nothing but what is here, and an ordinary role that everything else is
# done as; both have passwords, which stay on this machine.
APP_ROLE=sartal_app
guard_postgres() {
    local name=$1 folder=$2 programs each
    programs=$(postgres_programs)
    for each in owner app; do
        [ -s "$STATE/$name.$each" ] || (umask 077; php -r 'echo bin2hex(random_bytes(24));' >"$STATE/$name.$each")
    done
    if as_database_owner grep -q '^host.*trust' "$folder/pg_hba.conf"; then
        # Of an earlier version, or new: nobody needed a password until now.
        "$programs/psql" -h 127.0.0.1 -p "$DB_PORT" -U sartal -d postgres -v ON_ERROR_STOP=1 -q >"$STATE/initdb.log" 2>&1 <<SQL || fail "the database's roles could not be made; see .sartal/initdb.log."
alter role sartal password '$(cat "$STATE/$name.owner")';
do \$\$ begin if not exists (select 1 from pg_roles where rolname = '$APP_ROLE') then create role $APP_ROLE; end if; end \$\$;
alter role $APP_ROLE login createdb nosuperuser password '$(cat "$STATE/$name.app")';
SQL
        as_database_owner sh -c 'printf "host all all 127.0.0.1/32 scram-sha-256\n" >"$1"' - "$folder/pg_hba.conf"
        as_database_owner "$programs/pg_ctl" -D "$folder" reload >/dev/null
    fi
    export DB_USERNAME=$APP_ROLE PGUSER=$APP_ROLE
    DB_PASSWORD=$(cat "$STATE/$name.app"); export DB_PASSWORD PGPASSWORD=$DB_PASSWORD
}

owner() { PGPASSWORD=$(cat "$STATE/$1.owner") "$(postgres_programs)/psql" -h 127.0.0.1 -p "$DB_PORT" -U sartal -v ON_ERROR_STOP=1 -qtA "${@:2}"; }

# Every database of an earlier version's.
adopt_databases() {
    local each
    for each in $(owner "$1" -d postgres -c "select datname from pg_database where pg_get_userbyid(datdba) = 'sartal' and datname !~ '^(postgres|template[01])$'"); do
        adopt_database "$1" "$each"
    done
}

# adopt_database NAME DATABASE: what an earlier version made as the cluster's owner is the ordinary role's from now on.
adopt_database() {
    [ "$(owner "$1" -d postgres -c "select pg_get_userbyid(datdba) from pg_database where datname = '$2'")" = sartal ] || return 0
    owner "$1" -d "$2" >"$STATE/adopt.log" 2>&1 <<SQL || fail "the database $2 could not be given to its role; see .sartal/adopt.log."
begin;
do \$\$ declare each record; begin
    for each in select c.oid::regclass as name, c.relkind as kind from pg_class c join pg_namespace n on n.oid = c.relnamespace
        where n.nspname = 'public' and c.relkind in ('r', 'v', 'm', 'p') loop
        execute format('alter %s %s owner to $APP_ROLE', case each.kind when 'v' then 'view' when 'm' then 'materialized view' else 'table' end, each.name);
    end loop;
    -- Those of columns go with their tables.
    for each in select c.oid::regclass as name from pg_class c join pg_namespace n on n.oid = c.relnamespace
        where n.nspname = 'public' and c.relkind = 'S' and pg_get_userbyid(c.relowner) = 'sartal' loop
        execute format('alter sequence %s owner to $APP_ROLE', each.name);
    end loop;
    for each in select p.oid::regprocedure as name from pg_proc p join pg_namespace n on n.oid = p.pronamespace
        where n.nspname = 'public' and pg_get_userbyid(p.proowner) = 'sartal' loop
        execute format('alter function %s owner to $APP_ROLE', each.name);
    end loop;
end \$\$;
alter schema public owner to $APP_ROLE;
alter database "$2" owner to $APP_ROLE;
commit;
SQL
}

# start_postgres NAME FIRST_PORT [OPTION…]: sets DB_PORT, who is asked for, and POSTGRES_STARTED when this call started it.
start_postgres() {
    local name=$1 first=$2; shift 2
    local programs folder log
    programs=$(postgres_programs)
    [ -n "$programs" ] || fail "PostgreSQL's programs are missing. Install Debian's postgresql package."
    folder=$(data_folder "$name")
    log="$folder/server.log"
    POSTGRES_STARTED=
    if [ ! -f "$folder/PG_VERSION" ]; then
        say "Creating a PostgreSQL cluster on loopback"
        as_database_owner "$programs/initdb" -D "$folder" -U sartal --auth=trust --encoding=UTF8 --locale=C.UTF-8 >"$STATE/initdb.log" 2>&1 \
            || fail "PostgreSQL's cluster could not be created; see .sartal/initdb.log."
    fi
    if as_database_owner "$programs/pg_ctl" -D "$folder" status >/dev/null 2>&1; then
        DB_PORT=$(as_database_owner sed -n 4p "$folder/postmaster.pid")
    else
        DB_PORT=$(free_port "$first")
        as_database_owner "$programs/pg_ctl" -D "$folder" -l "$log" -w -t 60 start \
            -o "-p $DB_PORT -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c max_connections=60 $*" >"$STATE/pg_ctl.log" 2>&1 \
            || fail "PostgreSQL did not start; its last words: $(as_database_owner tail -n 3 "$log" 2>/dev/null | tr '\n' ' ')"
        POSTGRES_STARTED=$folder
    fi
    export DB_PORT
    guard_postgres "$name" "$folder"
}

stop_postgres() {
    [ -n "${1:-}" ] && as_database_owner "$(postgres_programs)/pg_ctl" -D "$1" -m fast -w stop >/dev/null 2>&1
    return 0
}

create_database() {
    local programs; programs=$(postgres_programs)
    "$programs/psql" -h 127.0.0.1 -p "$DB_PORT" -d postgres -tAc "select 1 from pg_database where datname = '$1'" | grep -q 1 \
        || "$programs/createdb" -h 127.0.0.1 -p "$DB_PORT" "$1" \
        || fail "the database $1 could not be created."
}

# The project's own database, unless DB_PORT names one that runs already: then DB_USERNAME and DB_PASSWORD say as whom.
database_in_use() {
    if [ -z "${DB_PORT:-}" ]; then
        start_postgres postgres "${DB_FIRST_PORT:-54330}"
        adopt_database postgres "${DB_DATABASE:-sartal}"
    fi
    export PGPASSWORD=${DB_PASSWORD:-${PGPASSWORD:-}}
}

# backup_seal SUMS KEY: what only whoever has the key can make of these sums.
backup_seal() { php -r 'echo hash_hmac_file("sha256", $argv[1], hash("sha256", "sartal backup ".trim(file_get_contents($argv[2])), true));' "$1" "$2"; }
# A seal as somebody writes it down.
seal_code() { cut -c1-32 "$1" | sed 's/..../&-/g; s/-$//'; }

# What was exported comes back, whatever its size: files go to the disk, and are read from there as they come.
# serve HOST PORT LOG: PHP's own server in a process group of its own, so that its workers stop with it. Sets SERVER.
# It serves the code that was there when it began: its routes are compiled, and which edition it is, is asked once. With
# SARTAL_RELOAD=1 whatever somebody edits is served from then on, and looked for at every request.
serve() {
    port_is_free "$2" || fail "port $2 is taken. Stop what uses it, or choose another: PORT=$(free_port "$2") $0"
    SERVER_LOG=$3
    local own=() look=1
    if [ -z "${SARTAL_RELOAD:-}" ]; then
        look=0
        own=(SARTAL_EDITION="$(php -r 'require $argv[1]."/vendor/autoload.php"; echo App\Bench\CodeEdition::of($argv[1]);' "$ROOT")"
            APP_ROUTES_CACHE="$STATE/routes-$2.php")
        env "${own[@]}" php "$ROOT/artisan" route:cache --quiet || fail "the routes could not be compiled; see storage/logs/sartal.log."
    fi
    (cd "$ROOT/public" && exec setsid env "${own[@]}" PHP_CLI_SERVER_WORKERS="${WORKERS:-4}" php -d opcache.enable_cli=1 \
        -d opcache.validate_timestamps="$look" -d opcache.revalidate_freq=0 -d memory_limit="${SARTAL_MEMORY_MB:-1536}M" \
        -d max_execution_time="${SARTAL_SECONDS:-60}" -d upload_max_filesize="${SARTAL_UPLOAD_MB:-1024}M" -d post_max_size="$((${SARTAL_UPLOAD_MB:-1024} + 2))M" -S "$1:$2" "$ROOT/vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php") >"$3" 2>&1 &
    SERVER=$!
    for _ in $(seq 1 100); do
        kill -0 "$SERVER" 2>/dev/null || fail "the web server did not start: $(tail -n 2 "$3")"
        port_is_free "$2" || return 0
        sleep 0.1
    done
    fail "the web server did not answer on port $2 within ten seconds."
}

# work NAME COMMAND…: an artisan command over and over, in a process group of its own, so that whatever it began stops with
# it. What it did last leaves nothing in memory to what it does next. The web server comes first. Adds to WORKERS_UP.
work() {
    local name=$1; shift
    (cd "$ROOT" && exec setsid bash -c 'while :; do nice -n "$1" php -d memory_limit="$2" artisan "${@:3}" || sleep 2; done' \
        worker "${NICE:-5}" "${SARTAL_MEMORY_MB:-1536}M" "$@") >"$STATE/$name.log" 2>&1 &
    WORKERS_UP+=($!)
}
WORKERS_UP=()
stop_workers() { for each in "${WORKERS_UP[@]}"; do stop_server "$each"; done; }

stop_server() { [ -n "${1:-}" ] && kill -TERM -- "-$1" 2>/dev/null; return 0; }

application_key() {
    [ -s "$STATE/key" ] || (umask 077; php -r 'echo "base64:".base64_encode(random_bytes(32));' >"$STATE/key")
    APP_KEY=$(cat "$STATE/key")
    export APP_KEY
}

bring_up() {
    need_tools
    need_packages "${DEBIAN_PACKAGES[@]}" "$@"
    composer_packages
    npm_packages
    application_key
}
