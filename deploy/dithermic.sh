#!/usr/bin/env bash
# start · stop · dev · test · seed · backup · restore · drill · person · bench · artisan: everything of `dithermic` but
# calc.
set -euo pipefail
# Secrets, caches, backups and logs are nobody else's.
umask 077

HERE=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
# All that a running shop writes lives here: database cluster, settings, logs, pid files. Another folder is another
# shop.
STATE=${DITHERMIC_STATE:-$HERE/storage}
RUN=$STATE/run
LOG=$STATE/log
ENV_FILE=$STATE/app.env
KEEPER_FILE=$STATE/keeper.env
PGBIN=/usr/lib/postgresql/15/bin
PHP_FPM=php-fpm8.2
DEBIAN_PACKAGES=(
    php8.2-cli php8.2-fpm php8.2-pgsql php8.2-gd php8.2-zip php8.2-curl php8.2-bcmath php8.2-mbstring php8.2-intl
    php8.2-xml php8.2-apcu postgresql-15 nginx-light composer unzip git curl procps qrencode
)

say() { printf '%s\n' "$*"; }
fail() { printf 'dithermic: %s\n' "$*" >&2; exit 1; }
is_root() { [ "$(id -u)" -eq 0 ]; }

usage() {
    cat <<'TEXT'
dithermic start [--port N] [--no-demo]   start the shop on 127.0.0.1 (port 8080 unless said otherwise)
dithermic stop                           stop what start started
dithermic dev [--port N]                 serve what is in this folder: PHP as it is saved, screens as they are edited
dithermic test [core|feature|unit|static|drill|e2e] run all tests, or one suite; core and feature take --filter TEXT
dithermic calc --list | NAME [--schema] [--batch]  calculate: JSON on standard input, JSON out
dithermic schedule:benchmark FILE [--seconds N] [--seed S]  plan a classic job shop, JSON out
dithermic diagnose:runs [--runs N] [--questions N] bad runs by the physics, and whether the search finds their cause
dithermic schedule:days [--days N] [--first SEED]  days that come otherwise, run by a list and by the plan
dithermic seed                           add the demo shop to an empty one
dithermic seed --scale [RUNS] [READINGS] years of the demo beside it (100000, 50000000), in a shop that is thrown away
dithermic simulate [--fault KIND:MACHINE | --on | --off]
                                         stand in for the instruments of a demo: thermocouple_open, drift, sag,
                                         heater_dead, leak
dithermic simulate --speed N [--hours H] | --long
                                         play a shift of a shop that is thrown away, and count what is lost;
                                         --long: a day at 60
dithermic backup FILE                    write the whole shop to one file
dithermic restore FILE [--replace]       read it back; a shop that is not empty needs --replace
dithermic make-room                      make the partitions for the readings of the months to come
dithermic rehearse                       try this version's migrations on a copy of the shop
dithermic drill                          kill, fill, move and restore a shop of its own, and count what is left
dithermic person reset NAME              a new password for who is locked out (NAME is what they sign in as)
dithermic bench [--scale [OTHER] | --long | --limit]
                                         measure speed on this machine; lists after seed --scale, beside another
                                         shop's; 1000 days planned; the solver beside C
dithermic bench --busy [SECONDS]         5,000 readings a second beside 20 people, the database killed:
                                         in a demo that is thrown away
TEXT
}

# --- what the machine must have ------------------------------------------------------------------------------------

need_packages() {
    local missing=() package modules
    modules=$(php -m 2>/dev/null || true)
    for package in "$@"; do
        case $package in
            php8.2-cli) command -v php >/dev/null || missing+=("$package") ;;
            php8.2-fpm) command -v $PHP_FPM >/dev/null || missing+=("$package") ;;
            php8.2-*) grep -qiE "^(pdo_)?${package#php8.2-}\$" <<<"$modules" || missing+=("$package") ;;
            postgresql-15) [ -x $PGBIN/initdb ] || missing+=("$package") ;;
            procps) command -v pgrep >/dev/null || missing+=("$package") ;;
            nginx-light) command -v nginx >/dev/null || missing+=("$package") ;;
            *) command -v "$package" >/dev/null || missing+=("$package") ;;
        esac
    done
    [ ${#missing[@]} -eq 0 ] && return
    is_root \
        || fail "missing ${missing[*]}. Only root can install them: run 'apt-get install ${missing[*]}' as root, then start again."
    say "Installing ${missing[*]} …"
    mkdir -p "$LOG"
    { apt-get update && DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends "${missing[@]}"; } >"$LOG/apt.log" 2>&1 \
        || fail "installing ${missing[*]} failed; see $LOG/apt.log."
}

node_is_new_enough() {
    command -v node >/dev/null \
        && node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=19)?0:1)'
}

need_node() {
    [ -d "$HERE/storage/node/node_modules/node/bin" ] && PATH="$HERE/storage/node/node_modules/node/bin:$PATH"
    node_is_new_enough && command -v npm >/dev/null && return
    # Debian 12's own Node.js is older than the build needs: npm carries a newer one as a package.
    if is_root && ! command -v npm >/dev/null; then
        say "Installing Node.js …"
        mkdir -p "$LOG"
        { apt-get update && DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends nodejs npm; } >"$LOG/apt-node.log" 2>&1 \
            || true
    fi
    if command -v npm >/dev/null && ! node_is_new_enough; then
        npm install --prefix "$HERE/storage/node" --no-audit --no-fund node@20.20.0 >"$LOG/node.log" 2>&1 || true
        PATH="$HERE/storage/node/node_modules/node/bin:$PATH"
    fi
    node_is_new_enough && command -v npm >/dev/null \
        || fail "Node.js 20.19 or newer with npm is needed to build the screens and is not here. Install it, then start again."
}

# Runs a step only when the files it depends on have changed since it last succeeded.
when_changed() {
    local name=$1 files=$2; shift 2
    local stamp=$HERE/storage/stamps/$name sum
    sum=$(cd "$HERE" && find $files -type f -print0 2>/dev/null | sort -z | xargs -0 sha256sum | sha256sum)
    if [ ! -f "$stamp" ] || [ "$(cat "$stamp")" != "$sum" ]; then
        say "${name^} …"
        mkdir -p "$HERE/storage/stamps" "$LOG"
        "$@" >"$LOG/$name.log" 2>&1 \
            || { tail -n 15 "$LOG/$name.log" >&2; fail "$name failed; the whole of it is in $LOG/$name.log."; }
        printf '%s' "$sum" >"$stamp"
    fi
}

# Some archives keep files from others; the web server is another user.
composer_install() (
    umask 022
    cd "$HERE" \
        && COMPOSER_ALLOW_SUPERUSER=1 composer install --no-interaction --no-scripts --no-progress \
        && chmod -R u+rwX,go+rX vendor
)
npm_install() ( umask 022; cd "$HERE" && PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 npm ci --no-audit --no-fund )
# Built beside what is being served, and moved in file by file: no request finds half of it, and a screen that is open
# keeps the parts of the release it began with. Of older ones nothing stays.
build_screens() (
    umask 022
    cd "$HERE/public" || return 1
    rm -rf build.new
    mkdir -p build/assets
    local begun; begun=$(mktemp)
    (cd "$HERE" && DITHERMIC_BUILD=public/build.new npm run --silent build) || return 1
    # What is no newer than this mark is of the release before the one being served. One that failed has moved it no
    # further.
    [ ! -e build/.before ] || find build/assets -type f ! -newer build/.before -delete
    mv -f "$begun" build/.before
    chmod -R u+rwX,go+rX build.new
    mv -f build.new/assets/* build/assets/
    rm -r build.new/assets
    # The pages name the parts by the manifest: last of all, in one step.
    find build.new -mindepth 1 ! -name manifest.json -exec mv -f -t build/ {} +
    mv -f build.new/manifest.json build/manifest.json
    rm -r build.new
    chmod -R u+rwX,go+rX .
)

prepare_code() {
    need_packages "${DEBIAN_PACKAGES[@]}"
    need_node
    when_changed 'php-packages' 'composer.json' composer_install
    when_changed 'node-packages' 'package-lock.json' npm_install
}

prepare_screens() {
    when_changed 'screens' 'resources vite.config.ts package-lock.json tsconfig.json' build_screens
}

# --- settings -------------------------------------------------------------------------------------------------------

secret() { head -c 32 /dev/urandom | base64 | tr -d '/+=\n' | cut -c1-32; }

reaches() { ! is_root || su www-data -s /bin/sh -c "test -x '$1'" 2>/dev/null; }

# The web is never root. Where www-data may not go, as in root's home, it is given a copy of the code and a place for
# what it writes under /var/lib; settings, logs and backups stay here.
web_places() {
    local place; place=/var/lib/dithermic/$(printf '%s' "$STATE" | sha256sum | cut -c1-12)-web
    VAR=$STATE CODE=$HERE
    reaches "$STATE" || VAR=$place/var
    NEWS=$VAR/framework/news.sock
    reaches "$HERE/deploy" || CODE=$place/code
    RUN=$VAR/run
    if [ "$VAR$CODE" != "$STATE$HERE" ]; then mkdir -p "$place"; chmod 711 "$(dirname "$place")" "$place"; fi
}

copy_code() {
    [ "$CODE" != "$HERE" ] || return 0
    local new=$CODE.new
    rm -rf "$new"
    (
        umask 022; mkdir -p "$new"
        tar -C "$HERE" -cf - app artisan bootstrap config core database deploy public resources/views routes vendor \
            composer.json | tar -C "$new" -xf - --no-same-owner
        chmod -R u+rwX,go+rX "$new"
    ) || fail "the code could not be copied to $CODE, where the web server may read it."
    rm -rf "$CODE"
    mv "$new" "$CODE"
}

load_settings() {
    mkdir -p "$STATE"
    chmod 711 "$STATE" 2>/dev/null || true
    web_places
    mkdir -p "$RUN" "$LOG" "$VAR/cache/views" "$VAR/framework/cache/data" "$VAR/framework/sessions" "$VAR/logs" "$VAR/app"
    # Others pass through to what is theirs; they do not look around.
    chmod 711 "$VAR" "$RUN" "$VAR/framework" 2>/dev/null || true
    # What is cached anew while the web serves is the web's to read from the first byte.
    if is_root && getent group "$(web_user)" >/dev/null; then
        chgrp "$(web_user)" "$VAR/cache" "$VAR/cache/views"
        chmod 2750 "$VAR/cache" "$VAR/cache/views"
    fi
    if [ ! -s "$ENV_FILE" ]; then
        printf 'APP_KEY=base64:%s\nDITHERMIC_DB_PASSWORD=%s\n' "$(head -c 32 /dev/urandom | base64)" "$(secret)" >"$ENV_FILE.part"
        mv "$ENV_FILE.part" "$ENV_FILE"
    fi
    # The web never sees these two.
    if [ ! -s "$KEEPER_FILE" ]; then
        printf 'DITHERMIC_KEEPER_PASSWORD=%s\nDITHERMIC_OWNER_PASSWORD=%s\n' "$(secret)" "$(secret)" >"$KEEPER_FILE.part"
        mv "$KEEPER_FILE.part" "$KEEPER_FILE"
    fi
    # shellcheck disable=SC1090
    . "$KEEPER_FILE"
    set -a
    # .env, when there is one, may name a PostgreSQL of your own (DB_HOST, DB_PORT, DB_DATABASE, DB_USERNAME,
    # DB_PASSWORD).
    # shellcheck disable=SC1091
    [ -f "$HERE/.env" ] && . "$HERE/.env"
    # shellcheck disable=SC1090
    . "$ENV_FILE"
    APP_NAME=Dithermic APP_ENV=${APP_ENV:-production} APP_DEBUG=${APP_DEBUG:-false} LOG_CHANNEL=stack LOG_LEVEL=warning
    DB_CONNECTION=pgsql DB_PERSISTENT=true QUEUE_CONNECTION=database DB_QUEUE_RETRY_AFTER=180
    SESSION_DRIVER=database SESSION_CONNECTION=pgsql_soft SESSION_LIFETIME=720 SESSION_COOKIE=dithermic_session
    CACHE_STORE=database DB_CACHE_CONNECTION=pgsql_soft CACHE_LIMITER=${CACHE_LIMITER:-apc}
    LARAVEL_STORAGE_PATH=$VAR VIEW_COMPILED_PATH=$VAR/cache/views
    APP_CONFIG_CACHE=$VAR/cache/config.php APP_ROUTES_CACHE=$VAR/cache/routes.php APP_EVENTS_CACHE=$VAR/cache/events.php
    APP_SERVICES_CACHE=$VAR/cache/services.php APP_PACKAGES_CACHE=$VAR/cache/packages.php
    if [ -z "${DB_HOST:-}" ]; then
        OWN_CLUSTER=1 DB_HOST=127.0.0.1 DB_DATABASE=dithermic DB_USERNAME=dithermic DB_PASSWORD=$DITHERMIC_DB_PASSWORD
        DB_PORT=$(cat "$RUN/pg-port" 2>/dev/null || echo 0)
    fi
    set +a
}

# As it is for the web (deploy/php/dithermic.ini).
COMPILED=(
    -d opcache.enable_cli=1 -d opcache.jit=tracing -d opcache.jit_buffer_size=128M
    -d opcache.jit_max_root_traces=16384 -d opcache.jit_max_side_traces=16384
)

artisan() {
    local status=0
    # What root runs reads nothing that the web can write, and logs to the terminal, not into the web's files. A shop's
    # history is reckoned: what takes long is compiled.
    local compiled=()
    if [ "$1" = shop:seed ]; then compiled=("${COMPILED[@]}"); fi
    (
        umask 027
        cd "${IN:-$HERE}" \
            && LOG_CHANNEL=$([ "$1" = config:cache ] && echo stack || echo stderr) \
                php -d memory_limit=1G "${compiled[@]}" artisan "$@"
    ) || status=$?
    return $status
}

# What changes tables is run by their owner.
owner_artisan() {
    if [ -z "${OWN_CLUSTER:-}" ]; then artisan "$@"; return; fi
    DB_USERNAME=dithermic_owner DB_PASSWORD=$DITHERMIC_OWNER_PASSWORD artisan "$@"
}

keeper() {
    PGPASSWORD=$DITHERMIC_KEEPER_PASSWORD psql -qtAX -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$DB_PORT" -U keeper "$@"
}
# Before the first day: a whole stretch of the database's log lies ready, so that a disk that is full then stops no
# write half-way.
settle() {
    [ -z "${OWN_CLUSTER:-}" ] \
        || keeper -d dithermic -c 'select pg_switch_wal()' -c checkpoint >>"$LOG/artisan.log" 2>&1 \
        || true
}

# --- PostgreSQL -----------------------------------------------------------------------------------------------------

port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }
free_port() {
    local p
    for p in $(seq "$1" $(($1 + 60))); do
        port_is_free "$p" && { echo "$p"; return; }
    done
    fail "no free port near $1"
}

# The cluster belongs to a user that may not be root; where that user cannot reach the folder, it lives under /var/lib.
# $STATE/cluster says which it is, so that a folder that was moved is still the same shop.
cluster_dir() {
    if [ -s "$STATE/cluster" ]; then
        local kept; kept=$(cat "$STATE/cluster")
        if [ "$kept" = here ]; then echo "$STATE/pg"; else echo "$kept"; fi
    elif is_root && ! su postgres -s /bin/sh -c "test -x '$STATE'" 2>/dev/null; then
        echo "/var/lib/dithermic/$(printf '%s' "$STATE" | sha256sum | cut -c1-12)"
    else
        echo "$STATE/pg"
    fi
}

# A folder that was moved takes its database along; one that was copied does not, and must not share it.
own_this_cluster() {
    local dir=$1 of
    if [ -f "$dir/made" ] && [ -s "$dir/of" ]; then
        of=$(cat "$dir/of")
        if [ "$of" != "$STATE" ] && [ -s "$of/app.env" ] && cmp -s "$of/app.env" "$ENV_FILE"; then
            fail "$STATE is a copy of $of, and the database stays with the first. To make a second shop of it: 'dithermic backup FILE' there, 'dithermic start --no-demo' with an empty folder, then 'dithermic restore FILE --replace'."
        fi
    fi
    if [ ! -f "$dir/made" ] && { [ -s "$RUN/pg-port" ] || [ -f "$STATE/begun" ]; }; then
        fail "these settings have had a database, and there is none in $dir. Bring the folder back to where it was, or restore a backup into an empty one. Nothing was made anew."
    fi
    printf '%s' "$STATE" >"$dir/of"
    if [ "$dir" = "$STATE/pg" ]; then echo here >"$STATE/cluster"; else echo "$dir" >"$STATE/cluster"; fi
}
as_postgres() { if is_root; then su postgres -s /bin/bash -c "cd / && $*"; else bash -c "$*"; fi; }

start_cluster() {
    [ -n "${OWN_CLUSTER:-}" ] || return 0
    local dir data port
    dir=$(cluster_dir); data=$dir/data
    mkdir -p "$dir/socket"
    if is_root && [ "$dir" != "$STATE/pg" ]; then chmod 711 "$(dirname "$dir")"; fi
    own_this_cluster "$dir"
    if is_root; then
        # A running server's files come and go: only what is not made yet is given away whole.
        if [ -f "$dir/made" ]; then chown postgres "$dir" "$dir/socket" "$dir/of"; else chown -R postgres "$dir"; fi
        chmod 700 "$dir" "$dir/socket"
    fi
    if [ ! -f "$dir/made" ]; then
        [ ! -d "$data" ] || [ -z "$(ls -A "$data")" ] \
            || fail "the database cluster in $data was begun but never finished. If nothing in it is yours to keep, remove $dir and start again."
        say "Making a database cluster in $data …"
        printf '%s' "$DITHERMIC_KEEPER_PASSWORD" >"$dir/pw"; is_root && chown postgres "$dir/pw"
        local only='--auth-host=scram-sha-256 --auth-local=scram-sha-256'
        as_postgres "$PGBIN/initdb -k -D '$data' -U keeper --pwfile='$dir/pw' $only -E UTF8 --locale=C.UTF-8" \
            >"$LOG/initdb.log" 2>&1 \
            || fail "initdb failed; see $LOG/initdb.log."
        rm -f "$dir/pw"
        touch "$dir/made"
    fi
    if [ -s "$RUN/pg-port" ] && "$PGBIN/pg_isready" -q -h 127.0.0.1 -p "$(cat "$RUN/pg-port")" \
        && as_postgres "$PGBIN/pg_ctl -D '$data' status" >/dev/null 2>&1; then
        port=$(cat "$RUN/pg-port")
    else
        clear_dead_lock "$data"
        # The port it had, when that is still free: what was written down about it then stays true.
        port=$(cat "$RUN/pg-port" 2>/dev/null || echo 54320)
        port_is_free "$port" || port=$(free_port 54320)
        # After a crash the old server's children need a moment to go before a new one may have the folder.
        local try
        for try in 1 2 3 4 5; do
            start_postgres "$data" "$dir" "$port" && break
            [ "$try" = 5 ] && fail "PostgreSQL did not start; see $dir/server.log."
            sleep 2
            # A port that nobody listens on may still be one end of somebody's connection.
            tail -n 8 "$dir/server.log" | grep -q 'could not bind' && port=$(free_port $((port + 1)))
        done
        echo "$port" >"$RUN/pg-port"
    fi
    export DB_PORT=$port
    settle_roles
    if [ "$(keeper -d postgres -c "select 1 from pg_database where datname = '$DB_DATABASE'")" = 1 ]; then
        touch "$dir/database-made"
    else
        # An empty shop in the place of a lost one would hide the loss: only a cluster that never had one gets one.
        [ ! -f "$dir/database-made" ] \
            || fail "the cluster in $dir has no database \"$DB_DATABASE\" any more; it has: $(keeper -d postgres -c "select string_agg(datname, ', ') from pg_database where not datistemplate"). Nothing was made anew: restore a backup, or rename the right one."
        keeper -d postgres -c "create database \"$DB_DATABASE\" owner dithermic_owner"
        touch "$dir/database-made"
    fi
    if [ ! -f "$dir/roles-settled" ]; then
        keeper -d "$DB_DATABASE" -c "alter database \"$DB_DATABASE\" owner to dithermic_owner" \
            -f "$HERE/deploy/grants.sql" >"$LOG/grants.log" 2>&1 \
            || fail "the rights in the database could not be settled; see $LOG/grants.log."
        touch "$dir/roles-settled"
    fi
}

settle_roles() {
    local dir; dir=$(cluster_dir)
    if ! keeper -d postgres -c 'select 1' >/dev/null 2>&1; then
        # A cluster from before there were three roles: its one superuser becomes the keeper, and the web a plain role.
        say 'Giving the web a role of its own in the database …'
        PGPASSWORD=$DB_PASSWORD psql -qtAX -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$DB_PORT" -U dithermic -d postgres \
            -c "create role moving superuser login password '$DITHERMIC_KEEPER_PASSWORD'" >"$LOG/roles.log" 2>&1 \
            && PGPASSWORD=$DITHERMIC_KEEPER_PASSWORD psql -qtAX -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$DB_PORT" \
                -U moving -d postgres -c 'alter role dithermic rename to keeper' \
                -c "alter role keeper password '$DITHERMIC_KEEPER_PASSWORD'" >>"$LOG/roles.log" 2>&1 \
            && keeper -d postgres -c 'drop role moving' >>"$LOG/roles.log" 2>&1 \
            || fail "the roles in the database could not be settled; see $LOG/roles.log."
        rm -f "$dir/roles-made" "$dir/roles-settled"
        keeper -d postgres -c 'drop database if exists dithermic_test' >/dev/null 2>&1 || true
    fi
    [ -f "$dir/roles-made" ] && return
    keeper -d postgres -v owner_password="$DITHERMIC_OWNER_PASSWORD" -v web_password="$DB_PASSWORD" \
        -f "$HERE/deploy/roles.sql" >"$LOG/roles.log" 2>&1 \
        || fail "the roles in the database could not be settled; see $LOG/roles.log."
    touch "$dir/roles-made"
}

# A server killed hard leaves its lock file. The process in it may be a zombie that nobody has collected, which
# PostgreSQL takes for alive: the lock goes when that process is dead and none of its children still works in the
# folder.
clear_dead_lock() {
    local data=$1 pid try
    pid=$(head -n 1 "$data/postmaster.pid" 2>/dev/null) || return 0
    [ -n "$pid" ] || return 0
    grep -qE '^State:\s+[SRDT]' "/proc/$pid/status" 2>/dev/null && return 0
    for try in $(seq 20); do
        ls -l /proc/[0-9]*/cwd 2>/dev/null | grep -qF -- "-> $data" || { rm -f "$data/postmaster.pid"; return 0; }
        sleep 0.5
    done
}

start_postgres() {
    local options="-p $3 -c listen_addresses=127.0.0.1 -c unix_socket_directories=$2/socket"
    options+=' -c shared_buffers=256MB -c max_connections=60 -c synchronous_commit=on'
    as_postgres "$PGBIN/pg_ctl -D '$1' -w -t 60 -l '$2/server.log' -o \"$options\" start" >/dev/null 2>&1 9>&-
}

stop_cluster() {
    [ -n "${OWN_CLUSTER:-}" ] || return 0
    local dir; dir=$(cluster_dir)
    [ -f "$dir/made" ] && as_postgres "$PGBIN/pg_ctl -D '$dir/data' -m fast -w stop" >/dev/null 2>&1 || true
}

# --- web servers ----------------------------------------------------------------------------------------------------

# The process of a pid file, if it still is the server that wrote it and not another that got its number.
# A killed master that nobody has reaped yet still has its name, but does not live.
alive() {
    [ -s "$1" ] && grep -qE '^(nginx|php-fpm)' "/proc/$(cat "$1")/comm" 2>/dev/null \
        && ! grep -q '^State:.*Z' "/proc/$(cat "$1")/status"
}

# A master killed hard leaves workers that still hold the port or the socket. They are ours when they hold our log or
# our socket, and only those are ended.
end_orphans() {
    local pid held sockets
    sockets=$(awk -v run="$RUN/php-fpm" 'index($8, run) == 1 { printf "socket:\\[%s\\]|", $7 }' /proc/net/unix)
    for pid in $(pgrep -f '^(nginx: worker|php-fpm: pool dithermic)'); do
        [ "$(awk '/^PPid/ { print $2 }' "/proc/$pid/status" 2>/dev/null)" = 1 ] || continue
        held=$(ls -l "/proc/$pid/fd" 2>/dev/null)
        if grep -qF -- "-> $LOG/nginx.log" <<<"$held" || grep -qE -- "-> (${sockets}none)$" <<<"$held"; then
            kill -9 "$pid" 2>/dev/null || true
        fi
    done
}

web_user() { if is_root; then echo www-data; else id -un; fi; }

answers() { curl -fsS -o /dev/null "http://127.0.0.1:$1/up" 2>/dev/null; }

start_web() {
    local port=$1 user; user=$(web_user)
    if is_root; then
        chown -hR "$user" "$VAR/framework" "$VAR/logs" "$VAR/app"
        # The web reads its caches and cannot write them: what it could write, root would run.
        chown -hR "root:$(id -gn "$user")" "$VAR/cache"
    fi
    chmod -R u=rwX,g=rX,o= "$VAR/cache"
    chmod 644 "$VAR/openapi.json"
    local php_env='' name
    local names=(
        APP_NAME APP_ENV APP_DEBUG APP_KEY APP_URL LOG_CHANNEL LOG_LEVEL LOG_SYSLOG
        DB_CONNECTION DB_HOST DB_PORT DB_DATABASE DB_USERNAME DB_PASSWORD QUEUE_CONNECTION DB_QUEUE_RETRY_AFTER
        SESSION_DRIVER SESSION_CONNECTION SESSION_COOKIE SESSION_LIFETIME CACHE_STORE DB_CACHE_CONNECTION CACHE_LIMITER
        LARAVEL_STORAGE_PATH VIEW_COMPILED_PATH TRUSTED_PROXIES
        APP_CONFIG_CACHE APP_ROUTES_CACHE APP_EVENTS_CACHE APP_SERVICES_CACHE APP_PACKAGES_CACHE
    )
    for name in "${names[@]}"; do
        [ -n "${!name:-}" ] || continue
        php_env+="env[$name] = \"${!name:-}\"\n"
    done
    local owner=''
    if is_root; then owner="user = $user\ngroup = $user\nlisten.owner = $user\nlisten.mode = 0660"; fi
    sed -e "s|@RUN@|$RUN|g; s|@LOG@|$LOG|g; s|@OWNER@|$owner|g; s|@ENV@|$php_env|g" "$HERE/deploy/php-fpm.conf" \
        | sed 's/\\n/\n/g' >"$RUN/php-fpm.conf"
    chmod 600 "$RUN/php-fpm.conf"
    local nginx_user=''; is_root && nginx_user="user $user;"
    sed -e "s|@RUN@|$RUN|g; s|@LOG@|$LOG|g; s|@NEWS@|$NEWS|g; s|@PUBLIC@|$CODE/public|g" \
        -e "s|@PORT@|$port|g; s|@USER@|$nginx_user|" "$HERE/deploy/nginx.conf" >"$RUN/nginx.conf"

    local scan; scan=$(php -r 'echo PHP_CONFIG_FILE_SCAN_DIR;'); scan=${scan/\/cli\//\/fpm\/}
    { alive "$RUN/php-fpm.pid" && alive "$RUN/nginx.pid"; } || end_orphans
    if alive "$RUN/php-fpm.pid"; then
        kill -USR2 "$(cat "$RUN/php-fpm.pid")"
        sleep 0.5
    else
        local preload=(-d "opcache.preload=$CODE/deploy/php/preload.php")
        if is_root; then preload+=(-d "opcache.preload_user=$user"); fi
        PHP_INI_SCAN_DIR="$scan:$CODE/deploy/php" $PHP_FPM -R "${preload[@]}" -y "$RUN/php-fpm.conf" --daemonize \
            >>"$LOG/php-fpm.log" 2>&1 9>&- \
            || fail "php-fpm did not start; see $LOG/php-fpm.log."
    fi
    if alive "$RUN/nginx.pid"; then
        nginx -c "$RUN/nginx.conf" -s reload 2>>"$LOG/nginx.log"
    else
        nginx -c "$RUN/nginx.conf" 2>>"$LOG/nginx.log" 9>&- || fail "nginx did not start; see $LOG/nginx.log."
    fi
    echo "$port" >"$RUN/web-port"
    start_workers "$user"
    local i
    for i in $(seq 50); do
        answers "$port" && [ -S "$NEWS" ] && return
        sleep 0.2
    done
    # Without who tells screens what has changed they ask every few seconds.
    answers "$port" && return
    fail "the servers run but do not answer on 127.0.0.1:$port; see $LOG and $VAR/logs/laravel.log."
}

# Two workers do what takes longer than a request may; nobody's tasks hold both. A third looks at the time: silent
# instruments, a clock that was set; a fourth tells screens what has changed; in a demo a fifth stands in for the
# instruments. They are known by the folder they serve.
WORKERS=(queue queue time news)
worker_name() { printf 'shop-%s' "$(printf '%s' "$STATE" | sha256sum | cut -c1-12)"; }

# In the web's place: what it keeps it can read again.
as_web() {
    local user=$1; shift
    if is_root; then exec su "$user" -s /bin/bash -c "exec $(printf '%q ' "$@")"; else exec "$@"; fi
}

stop_workers() {
    local name i; name=$(worker_name)
    pkill -TERM -f "deploy/worker.sh $name" 2>/dev/null || true
    # Whose keeper was killed hard goes too.
    local ours="(worker.sh |queue:work --name=|shop.name=)$name"
    pkill -TERM -f "(queue:work --name=|shop.name=)$name" 2>/dev/null || true
    for i in $(seq "${1:-50}"); do pgrep -f "$ours" >/dev/null || return 0; sleep 0.1; done
    pkill -KILL -f "$ours" 2>/dev/null || true
}

start_workers() {
    local what
    stop_workers
    rm -f "$NEWS"
    # What a worker was at when it was killed is begun again now, not when its time is up.
    keeper_or_own -d "$DB_DATABASE" -c 'update jobs set reserved_at = null where reserved_at is not null' \
        -c "delete from cache_locks where key like '%task-of:%'" >/dev/null 2>&1 \
        || true
    for what in "${WORKERS[@]}" $([ ! -f "$STATE/simulated" ] || echo machines); do start_worker "$1" "$what"; done
}

start_worker() {
    local user=$1 what=$2 name; name=$(worker_name)
    if is_root; then
        (cd "$CODE" && exec setsid su "$user" -s /bin/bash -c "exec bash deploy/worker.sh $name $what") >>"$LOG/worker.log" 2>&1 9>&- </dev/null &
    else
        (cd "$CODE" && exec setsid bash deploy/worker.sh "$name" "$what") >>"$LOG/worker.log" 2>&1 9>&- </dev/null &
    fi
}

stop_pid() {
    local file=$1 signal=$2 pid i
    alive "$file" || { rm -f "$file"; return 0; }
    pid=$(cat "$file"); kill "-$signal" "$pid" 2>/dev/null || true
    for i in $(seq 50); do kill -0 "$pid" 2>/dev/null || break; sleep 0.1; done
    rm -f "$file"
}

# --- commands -------------------------------------------------------------------------------------------------------

cmd_start() {
    local port='' demo=1
    while [ $# -gt 0 ]; do
        case $1 in
            --port) port=${2:-}; shift ;;
            --port=*) port=${1#--port=} ;;
            --no-demo) demo=0 ;;
            *) fail "start does not know \"$1\"; it takes --port N and --no-demo." ;;
        esac
        shift
    done
    if [ -n "$port" ] && ! [[ $port =~ ^[0-9]+$ && $port -ge 1024 && $port -le 65535 ]]; then
        fail "--port takes a number from 1024 to 65535."
    fi
    load_settings
    local running=''; alive "$RUN/nginx.pid" && running=$(cat "$RUN/web-port" 2>/dev/null || true)
    # The port it had, also after a crash: the screens look for it there.
    port=${port:-${running:-$(cat "$RUN/web-port" 2>/dev/null || echo 8080)}}
    if [ "$port" != "$running" ]; then
        end_orphans
        port_is_free "$port" || { sleep 1; port_is_free "$port"; } \
            || fail "port $port on 127.0.0.1 is taken by another program. Choose another: dithermic start --port $((port + 1))."
    fi
    prepare_code
    prepare_screens
    one_at_a_time
    copy_code
    export APP_URL="http://127.0.0.1:$port"
    start_cluster
    # Settings cached by the last start may name a database port that is another's by now.
    rm -f "$APP_CONFIG_CACHE"
    artisan package:discover >"$LOG/artisan.log" 2>&1 || fail "Laravel does not start; see $LOG/artisan.log."
    upgrade
    owner_artisan shop:make-room >>"$LOG/artisan.log" 2>&1 \
        || say 'No room could be made for the readings of later months; see the log.'
    if [ $demo = 1 ] && [ ! -f "$STATE/begun" ]; then fill_in; touch "$STATE/simulated"; fi
    [ -f "$STATE/begun" ] || settle
    # From here on it is somebody's shop: it is never filled in again.
    touch "$STATE/begun"
    {
        IN=$CODE artisan config:cache \
            && IN=$CODE artisan route:cache \
            && IN=$CODE artisan view:cache \
            && IN=$CODE artisan contract:write "$VAR/openapi.json"
    } >>"$LOG/artisan.log" 2>&1 \
        || fail "caching the settings failed; see $LOG/artisan.log."
    artisan shop:clock || true
    start_web "$port"
    say ''
    say "Dithermic is at http://127.0.0.1:$port"
    artisan shop:signins
}

# The demo shop is reckoned; of several that are wanted at once the others are given the first one's backup.
fill_in() {
    if [ -z "${DITHERMIC_DEMO:-}" ]; then
        owner_artisan shop:seed --if-empty || fail 'seeding the demo shop failed.'
        return
    fi
    [ "$(keeper_or_own -d "$DB_DATABASE" -c 'select count(*) from users')" = 0 ] || return 0
    load_beside "$DITHERMIC_DEMO" "${DB_DATABASE}_restoring" \
        || fail "the demo shop in $DITHERMIC_DEMO could not be read: $(tail -n 1 "$LOG/restore.log")"
    put_in_place "${DB_DATABASE}_restoring"
    owner_artisan shop:make-room >>"$LOG/artisan.log" 2>&1 || true
}

# For who works on the code: no copy, no cache, and the screens are rebuilt as they are edited. It shares nothing with a
# shop that `start` keeps but the packages.
cmd_dev() {
    local port=8090
    while [ $# -gt 0 ]; do
        case $1 in
            --port) port=${2:-}; shift ;;
            *) fail "dev does not know \"$1\"; it takes --port N." ;;
        esac
        shift
    done
    [[ $port =~ ^[0-9]+$ && $port -ge 1024 && $port -le 65535 ]] || fail "--port takes a number from 1024 to 65535."
    if [ -z "${DITHERMIC_STATE:-}" ]; then
        STATE=$HERE/storage/dev
        LOG=$STATE/log
        ENV_FILE=$STATE/app.env
        KEEPER_FILE=$STATE/keeper.env
    fi
    load_settings
    prepare_code
    local screens; screens=$(free_port 5173)
    export APP_ENV=local APP_DEBUG=true LOG_CHANNEL=stderr APP_URL="http://127.0.0.1:$port"
    export DITHERMIC_DEV_SERVER="http://127.0.0.1:$screens"
    # Beside a shop that is served from the same folder: that one knows nothing of it.
    export DITHERMIC_HOT_FILE=$VAR/hot
    rm -f "$APP_CONFIG_CACHE" "$APP_ROUTES_CACHE"
    start_cluster
    artisan package:discover >"$LOG/artisan.log" 2>&1 || fail "Laravel does not start; see $LOG/artisan.log."
    upgrade
    owner_artisan shop:seed --if-empty || fail 'seeding the demo shop failed.'
    artisan contract:write "$VAR/openapi.json"
    trap 'kill 0' EXIT
    (cd "$HERE" && npx vite --host 127.0.0.1 --port "$screens" --strictPort) &
    (cd "$HERE" && php -d memory_limit=1G artisan queue:listen --quiet) &
    say "Dithermic, while it is worked on, is at http://127.0.0.1:$port (Ctrl-C ends it)"
    artisan shop:signins
    cd "$HERE/public" \
        && PHP_CLI_SERVER_WORKERS=4 php -d memory_limit=1G -d apc.enable_cli=1 -d variables_order=EGPCS \
            -S "127.0.0.1:$port" \
        "$HERE/vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php" 2>>"$LOG/dev.log"
}

cmd_stop() {
    load_settings
    stop_pid "$RUN/nginx.pid" QUIT
    stop_pid "$RUN/php-fpm.pid" QUIT
    stop_workers 300
    stop_cluster
    say 'Stopped.'
}

# Two at once would each think the other's database was its own work half done.
one_at_a_time() {
    exec 9>"$RUN/lock"
    flock -w 1 9 || fail 'another start, backup or restore of this shop is under way: wait for it.'
}

pending_migrations() {
    local known name
    known=$(keeper_or_own -d "$DB_DATABASE" -c "select migration from migrations" 2>/dev/null || true)
    for name in "$HERE"/database/migrations/*.php; do
        grep -qxF "$(basename "$name" .php)" <<<"$known" || basename "$name" .php
    done
}
keeper_or_own() {
    if [ -n "${OWN_CLUSTER:-}" ]; then
        keeper "$@"
    else
        PGPASSWORD=$DB_PASSWORD psql -qtAX -v ON_ERROR_STOP=1 -h "$DB_HOST" -p "$DB_PORT" -U "$DB_USERNAME" "$@"
    fi
}

# A newer version: what there is goes into a backup first, so that there is a way back.
upgrade() {
    local people kept
    if [ -n "$(pending_migrations)" ]; then
        people=$(keeper_or_own -d "$DB_DATABASE" -c 'select count(*) from users' 2>/dev/null || echo 0)
        if [ "$people" != 0 ]; then
            kept=$STATE/backups/before-$(date -u +%Y%m%dT%H%M%SZ).dump
            mkdir -p "$STATE/backups"
            say "This version changes the database. What there is goes into $kept first …"
            dump_to "$kept"
        fi
        owner_artisan migrate --force >"$LOG/migrate.log" 2>&1 \
            || fail "migrating the database failed; see $LOG/migrate.log.${kept:+ The shop as it was is in $kept: start the version before this and 'dithermic restore $kept --replace'.}"
    fi
    if [ -n "${OWN_CLUSTER:-}" ]; then
        keeper -d "$DB_DATABASE" -f "$HERE/deploy/grants.sql" >"$LOG/grants.log" 2>&1 \
            || fail "the rights in the database could not be settled; see $LOG/grants.log."
    fi
}

cmd_seed() {
    load_settings; one_at_a_time; start_cluster; upgrade
    if [ "${1:-}" = --scale ]; then seed_at_scale "${2:-100000}" "${3:-50000000}"; return; fi
    owner_artisan shop:seed; touch "$STATE/begun" "$STATE/simulated"
}

# Years of the demo, to measure on. Only where nothing but the demo is, and for a shop that is thrown away.
seed_at_scale() {
    local runs
    [[ "$1$2" =~ ^[0-9]+$ ]] || fail 'seed --scale [RUNS] [READINGS]: two numbers.'
    [ -n "${OWN_CLUSTER:-}" ] \
        || fail 'a shop with a database of its own is wanted: this is for one that is thrown away.'
    runs=$(keeper -d "$DB_DATABASE" -c 'select count(*) from runs')
    [ "$runs" -gt 0 ] && [ "$runs" -lt 1000 ] \
        || fail "a shop with the demo and nothing else is wanted; this one has $runs runs."
    PGPASSWORD=$DITHERMIC_KEEPER_PASSWORD psql -qtAX -h 127.0.0.1 -p "$DB_PORT" -U keeper -d "$DB_DATABASE" \
        -v "runs=$1" -v "readings=$2" -f "$HERE/deploy/scale.sql" >"$LOG/scale.log" 2>&1 || fail "see $LOG/scale.log."
    say "$(keeper -d "$DB_DATABASE" -c "select format('%s runs, %s pieces, %s entries, about %s readings',
        (select count(*) from runs), (select count(*) from pieces), (select count(*) from run_events),
        (select sum(greatest(reltuples, 0))::bigint from pg_class where relname ~ '^readings_20.*[0-9]\$'))")."
}

# Instruments of a demo: in this terminal with something wrong, or in the background from now on, or not at all.
cmd_simulate() {
    local port name status
    load_settings
    port=$(cat "$RUN/web-port" 2>/dev/null) && alive "$RUN/nginx.pid" || fail 'the shop is not running: start it first.'
    export APP_URL="http://127.0.0.1:$port"
    start_cluster
    name=$(worker_name)
    pkill -TERM -f "deploy/worker.sh $name machines" 2>/dev/null || true
    case ${1:-} in
        --off) rm -f "$STATE/simulated"; say 'The instruments are off.'; return 0 ;;
        --on) touch "$STATE/simulated"; start_worker "$(web_user)" machines; say 'The instruments are on.'; return 0 ;;
    esac
    case " $* " in
        *" --speed"* | *" --long "*)
            [ "${1:-}" != --long ] || set -- --speed=60 --hours=24
            (cd "$CODE" && as_web "$(web_user)" php artisan shop:shift "$APP_URL" "$@")
            status=$?
            [ ! -f "$STATE/simulated" ] || start_worker "$(web_user)" machines
            return "$status" ;;
    esac
    say "Instruments post to $APP_URL until Ctrl-C."
    # Ctrl-C ends what posts, not this: those in the background are begun again after it.
    trap : INT TERM
    (cd "$CODE" && as_web "$(web_user)" php artisan shop:simulate "$APP_URL" "$@") || true
    trap - INT TERM
    [ ! -f "$STATE/simulated" ] || start_worker "$(web_user)" machines
}

owner_server() {
    if [ -n "${OWN_CLUSTER:-}" ]; then
        export PGPASSWORD=$DITHERMIC_OWNER_PASSWORD PGUSER=dithermic_owner
    else
        export PGPASSWORD=$DB_PASSWORD PGUSER=$DB_USERNAME
    fi
    export PGHOST=$DB_HOST PGPORT=$DB_PORT
}

# A whole and readable file, or none.
dump_to() (
    local file=$1 part=$1.part.$$
    trap 'rm -f "$part"' EXIT
    owner_server
    [ -d "$(dirname "$file")" ] || fail "there is no folder $(dirname "$file"): nothing was backed up."
    $PGBIN/pg_dump -Fc --no-owner --no-privileges -f "$part" "$DB_DATABASE" 2>"$LOG/backup.log" \
        || fail "the backup failed and there is no new file: $(tail -n 1 "$LOG/backup.log")"
    looks_like_a_shop "$part" || fail 'the backup could not be read back: nothing was kept.'
    sync "$part" || fail 'the backup could not be written to the disk: nothing was kept.'
    mv -f "$part" "$file" || fail "the backup could not be put at $file."
    sync "$(dirname "$file")" 2>/dev/null || true
)

# Every byte of it is read; it holds the tables of a shop, and no other kind of thing than a shop has.
looks_like_a_shop() {
    local list table
    list=$($PGBIN/pg_restore -l "$1" 2>/dev/null | grep -v '^;') || return 1
    for table in users migrations lots lot_movements runs run_events; do
        grep -qE " TABLE DATA public $table " <<<"$list" || return 1
    done
    ! grep -vE '^[0-9]+; [0-9]+ [0-9]+ (TABLE( DATA| ATTACH)?|SEQUENCE( SET| OWNED BY)?|INDEX( ATTACH)?|(FK )?CONSTRAINT|CHECK CONSTRAINT|DEFAULT|FUNCTION|TRIGGER|COMMENT|SCHEMA|ACL|DEFAULT ACL) ' <<<"$list" | grep -q . \
        || return 1
    $PGBIN/pg_restore -f /dev/null "$1" 2>/dev/null
}

cmd_backup() {
    [ -n "${1:-}" ] || fail 'backup needs a file to write: dithermic backup shop.dump'
    load_settings; one_at_a_time; start_cluster
    dump_to "$1" || exit 1
    say "The shop is in $1 ($(du -h "$1" | cut -f1)), read back and whole."
}

# A backup into a database beside the shop's, with this version's tables; says nothing and leaves nothing when it fails.
load_beside() {
    local file=$1 new=$2 unknown
    owner_server
    dropdb --if-exists --force "$new" >/dev/null 2>&1
    createdb "$new" || return 1
    $PGBIN/pg_restore --no-owner --no-privileges --exit-on-error --single-transaction -d "$new" "$file" 2>"$LOG/restore.log" \
        || return 1
    unknown=$(comm -23 \
        <(psql -qtAX -d "$new" -c 'select migration from migrations order by 1' | LC_ALL=C sort) \
        <(for f in "$HERE"/database/migrations/*.php; do basename "$f" .php; done | LC_ALL=C sort)) \
        || return 1
    if [ -n "$unknown" ]; then
        echo "it was made by a newer version, which has $unknown" >"$LOG/restore.log"
        return 1
    fi
    [ "$(psql -qtAX -d "$new" -c "select count(*) from users where active and role = 'lead'")" != 0 ] \
        || { echo 'nobody in it could sign in as a lead' >"$LOG/restore.log"; return 1; }
    DB_DATABASE=$new owner_artisan migrate --force >>"$LOG/restore.log" 2>&1
}

# A database that was loaded beside the shop's becomes the shop's.
put_in_place() {
    local new=$1
    keeper_or_own -d "$new" -f "$HERE/deploy/grants.sql" >"$LOG/grants.log" 2>&1 || true
    # Both names change in one transaction: whenever this is killed, one whole shop has the name, and the other is
    # there.
    keeper_or_own -d postgres -c "drop database if exists \"${DB_DATABASE}_before\" with (force)"
    keeper_or_own -d postgres -c "select pg_terminate_backend(pid) from pg_stat_activity
        where datname in ('$DB_DATABASE', '$new') and pid <> pg_backend_pid()" >/dev/null
    keeper_or_own -d postgres -c "begin;
        alter database \"$DB_DATABASE\" rename to \"${DB_DATABASE}_before\";
        alter database \"$new\" rename to \"$DB_DATABASE\";
        commit" \
        || fail "the shop is as it was; what was restored is in the database $new."
}

cmd_restore() {
    local file='' replace=0 a port='' new people
    for a in "$@"; do case $a in --replace) replace=1 ;; *) file=$a ;; esac; done
    [ -n "$file" ] || fail 'restore needs a file that backup wrote.'
    [ -r "$file" ] || fail "cannot read $file."
    load_settings; one_at_a_time
    looks_like_a_shop "$file" || fail "$file is not a whole backup of Dithermic. The shop is as it was."
    start_cluster
    people=$(keeper_or_own -d "$DB_DATABASE" -c 'select count(*) from users' 2>/dev/null || echo 0)
    if [ "$people" != 0 ] && [ $replace = 0 ]; then
        fail "this shop is not empty ($people people). To put $file in its place, add --replace."
    fi
    # Nobody writes into what is about to be put aside.
    alive "$RUN/nginx.pid" && port=$(cat "$RUN/web-port" 2>/dev/null || true)
    stop_pid "$RUN/nginx.pid" QUIT
    stop_pid "$RUN/php-fpm.pid" QUIT
    stop_workers 300
    rm -f "$APP_CONFIG_CACHE"
    new=${DB_DATABASE}_restoring
    if ! load_beside "$file" "$new"; then
        dropdb --if-exists --force "$new" >/dev/null 2>&1 || true
        [ -z "$port" ] || again "$port"
        fail "restoring failed and the shop is as it was: $(tail -n 1 "$LOG/restore.log")"
    fi
    put_in_place "$new"
    touch "$STATE/begun"
    say "Restored. The shop that was here before is kept in the database ${DB_DATABASE}_before until the next restore."
    [ -z "$port" ] || again "$port"
}

again() {
    exec 9>&-
    env -i PATH="$PATH" HOME="${HOME:-/}" DITHERMIC_STATE="$STATE" \
        bash "$HERE/deploy/dithermic.sh" start --no-demo --port "$1" >"$LOG/again.log" 2>&1 \
        || say "The shop did not start again by itself; see $LOG/again.log."
}

cmd_rehearse() {
    local kept
    load_settings; one_at_a_time; start_cluster
    kept=$(mktemp "${TMPDIR:-/tmp}/dithermic.XXXXXX")
    dump_to "$kept" || exit 1
    if load_beside "$kept" "${DB_DATABASE}_rehearsal"; then
        say "This version's migrations work on a copy of this shop ($(psql -qtAX -d "${DB_DATABASE}_rehearsal" -c 'select count(*) from runs') runs). Nothing was changed."
    else
        rm -f "$kept"
        dropdb --if-exists --force "${DB_DATABASE}_rehearsal" || true
        fail "this version's migrations do not work on a copy of this shop: $(tail -n 1 "$LOG/restore.log")"
    fi
    dropdb --if-exists --force "${DB_DATABASE}_rehearsal"; rm -f "$kept"
}

cmd_person() {
    [ "${1:-}" = reset ] && [ -n "${2:-}" ] || fail 'say whom: dithermic person reset NAME'
    load_settings; start_cluster; artisan shop:reset "$2"
}

cmd_drill() { exec env HERE="$HERE" bash "$HERE/deploy/drill.sh" "$@"; }

cmd_test() {
    prepare_code
    load_settings
    exec env HERE="$HERE" bash "$HERE/deploy/test.sh" "$@"
}

# The solver's schemes in PHP and in C, the same cases side by side.
cmd_limit() {
    local program
    [ -f "$HERE/vendor/autoload.php" ] || prepare_code
    need_packages gcc
    [ -f /usr/include/math.h ] || { is_root && apt-get install -y --no-install-recommends libc6-dev >/dev/null 2>&1; }
    program=$(mktemp)
    cc -O2 -o "$program" "$HERE/deploy/limit/limit.c" -lm || fail 'limit.c was not compiled.'
    php "${COMPILED[@]}" "$HERE/deploy/limit/limit.php" "$program" || fail 'PHP and C do not agree.'
    rm -f "$program"
}

cmd_bench() {
    local what=bench
    case ${1:-} in
        --long) exec "$HERE/bin/dithermic" schedule:days --days 1000 --first 1001 --seconds 0.05 ;;
        --scale) what=bench-scale; shift ;;
        --busy)
            what=bench-busy
            shift
            [ -f "$STATE/simulated" ] && [ -f "$STATE/cluster" ] \
                || fail 'this kills the database: only in a demo with instruments that are simulated.'
            ;;
        --limit) cmd_limit; return ;;
    esac
    prepare_code; load_settings; start_cluster
    exec env HERE="$HERE" node "$HERE/deploy/$what.mjs" "$@"
}

command=${1:-help}; [ $# -gt 0 ] && shift
case $command in
    make-room) load_settings; start_cluster; owner_artisan shop:make-room ;;
    start|stop|dev|test|seed|simulate|backup|restore|rehearse|person|drill|bench) "cmd_$command" "$@" ;;
    artisan) load_settings; start_cluster; artisan "$@" ;;
    help|-h|--help) usage ;;
    *) usage >&2; fail "there is no command \"$command\"." ;;
esac
