#!/usr/bin/env bash
# All tests, or one suite: core · feature · unit · static · drill · e2e; after core and feature what Pest shall know.
# Called by `dithermic test`, which has loaded the settings.
set -uo pipefail
source <(sed '/^command=${1:-help}/,$d' "$HERE/deploy/dithermic.sh" | sed "s#^HERE=.*#HERE=$HERE#")
# A failing suite is counted, it does not end the others.
set +e
cd "$HERE"
PASSED=0 FAILED=0
OUT=$(mktemp -d)
trap 'rm -rf "$OUT"' EXIT

count() { PASSED=$((PASSED + $1)); FAILED=$((FAILED + $2)); }

pest_suite() {
    say "── $1"
    # Told how wide it may print: it would ask the terminal before every test, by a program of its own.
    COLUMNS=120 LINES=50 php -d memory_limit=2G -d opcache.enable_cli=1 vendor/bin/pest --testsuite="$1" --compact --colors=never "${@:2}" 2>&1 | tee "$OUT/$1" | grep -av '^#[0-9]' | tail -n 60
    local good bad
    good=$(grep -aoE '[0-9]+ passed' "$OUT/$1" | tail -n 1 | grep -oE '[0-9]+' || echo 0)
    bad=$(grep -aoE '[0-9]+ (failed|skipped|risky|incomplete|todo)' "$OUT/$1" | grep -oE '^[0-9]+' | paste -sd+ | bc 2>/dev/null || echo 0)
    # A suite that ran nothing, or died before it could count, has failed.
    if [ "${good:-0}" -eq 0 ] && [ "${bad:-0}" -eq 0 ]; then bad=1; fi
    count "${good:-0}" "${bad:-0}"
}

one() {
    local name=$1; shift
    if "$@" >"$OUT/$name" 2>&1; then
        count 1 0
        say "ok    $name"
    else
        count 0 1
        say "FAIL  $name"
        tail -n 40 "$OUT/$name"
    fi
}

contract_is_current() {
    artisan contract:write "$OUT/openapi.json" && npx openapi-typescript "$OUT/openapi.json" -o "$OUT/schema.ts" \
        && diff -u resources/js/api/schema.ts "$OUT/schema.ts"
}

# bash -n reads one file; the others would be its arguments.
shells_are_sound() { for file in deploy/*.sh; do bash -n "$file" || return 1; done; }

static() {
    say '── static'
    # Pint is a Laravel application itself: the shop's cache paths are not for it.
    one pint env -u APP_CONFIG_CACHE -u APP_ROUTES_CACHE -u APP_SERVICES_CACHE -u APP_PACKAGES_CACHE -u APP_EVENTS_CACHE -u LARAVEL_STORAGE_PATH vendor/bin/pint --test
    one phpstan vendor/bin/phpstan analyse --memory-limit=2G --no-progress
    one phpstan-core vendor/bin/phpstan analyse -c phpstan-core.neon --memory-limit=2G --no-progress
    one eslint npx eslint resources/js e2e
    one types npx vue-tsc --noEmit -p tsconfig.json
    one contract contract_is_current
    one openapi env REDOCLY_TELEMETRY=off npx redocly lint "$OUT/openapi.json"
    one prettier npx prettier --check --log-level warn resources/js e2e deploy/*.mjs *.config.ts *.config.js
    one lines node deploy/lines.mjs
    one shell shells_are_sound
}

with_test_database() {
    start_cluster
    export DB_DATABASE=dithermic_test APP_KEY
    # A database of their own, which they make and change: as the owner, not as the web.
    if [ -n "${OWN_CLUSTER:-}" ]; then export DB_USERNAME=dithermic_owner DB_PASSWORD=$DITHERMIC_OWNER_PASSWORD; fi
    PGPASSWORD=$DB_PASSWORD psql -qtA -h "$DB_HOST" -p "$DB_PORT" -U "$DB_USERNAME" -d postgres -c "select 1 from pg_database where datname='dithermic_test'" | grep -q 1 \
        || PGPASSWORD=$DB_PASSWORD createdb -h "$DB_HOST" -p "$DB_PORT" -U "$DB_USERNAME" dithermic_test
    # Settings cached for the running shop must not reach the tests.
    APP_ENV=testing APP_DEBUG=true CACHE_STORE=array CACHE_LIMITER=array SESSION_DRIVER=array LOG_CHANNEL=null BCRYPT_ROUNDS=4 APP_URL=http://127.0.0.1 APP_CONFIG_CACHE=$OUT/config.php APP_ROUTES_CACHE=$OUT/routes.php DB_PERSISTENT=false SESSION_CONNECTION=pgsql DB_CACHE_CONNECTION=pgsql "$@"
}

unit() {
    say '── unit'
    npx vitest run --reporter=dot --no-color >"$OUT/unit" 2>&1
    tail -n 40 "$OUT/unit"
    local good bad
    good=$(grep -aE '^ *Tests ' "$OUT/unit" | grep -oE '[0-9]+ passed' | grep -oE '[0-9]+')
    bad=$(grep -aE '^ *Tests ' "$OUT/unit" | grep -oE '[0-9]+ (failed|skipped|todo)' | grep -oE '^[0-9]+' | paste -sd+ | bc 2>/dev/null)
    # A file that could not even be loaded counts no test: it has failed.
    if [ "${good:-0}" -eq 0 ] || grep -qE 'Failed Suites|Unhandled Error' "$OUT/unit"; then bad=$((${bad:-0} + 1)); fi
    count "${good:-0}" "${bad:-0}"
}

# The one without a window where Debian has it.
need_browser() { (need_packages chromium-headless-shell) 2>/dev/null || need_packages chromium; }

e2e() {
    say '── e2e'
    need_browser
    # The notes on formats have lines for a microcontroller: they are run as they stand.
    /usr/bin/python3 -c 'import requests' 2>/dev/null || need_packages python3-requests
    prepare_screens
    # A shop for each worker, started as anybody would start one.
    local number state port shops=() started=() workers=${E2E_WORKERS:-2}
    for number in $(seq "$workers"); do
        state=$HERE/storage/e2e$number
        shop_at "$state" stop >/dev/null 2>&1
        is_root && [ -d "$state" ] && rm -rf "$(STATE=$state cluster_dir)"
        rm -rf "$state"
        port=$(free_port $((8180 + 10 * number)))
        # One fills itself in while the next begins: which it does when this one has its database's port.
        shop_at "$state" start --port "$port" >"$OUT/start$number" 2>&1 &
        started+=("$!")
        until [ -s "$state/run/pg-port" ] || ! kill -0 "${started[number - 1]}" 2>/dev/null; do sleep 0.5; done
        shops+=("http://127.0.0.1:$port=$state")
    done
    for number in $(seq "$workers"); do
        if ! wait "${started[number - 1]}"; then cat "$OUT/start$number"; count 0 1; return; fi
    done
    env -i PATH="$PATH" HOME="${HOME:-/root}" DITHERMIC_DEMO="${DITHERMIC_DEMO:-}" SHOPS="${shops[*]}" npx playwright test -c e2e/playwright.config.ts 2>&1 | tee "$OUT/e2e" | tail -n 400
    # What stood on the screen when a story failed: its words, without the boxes around them.
    local seen
    for seen in "$HERE"/e2e/.out/*/error-context.md; do
        [ -f "$seen" ] || continue
        say "── ${seen#"$HERE"/e2e/.out/}"
        sed -n '/^# Page snapshot/,/^# Test source/p' "$seen" | grep -vE '^ *- (generic|/url)[^"]*$' | cut -c 1-200 | tail -n 120
    done
    local good bad
    good=$(grep -aoE '^ *[0-9]+ passed' "$OUT/e2e" | grep -oE '[0-9]+' | tail -n 1)
    bad=$(grep -aoE '^ *[0-9]+ (failed|flaky|skipped|did not run|interrupted)' "$OUT/e2e" | grep -oE '[0-9]+' | paste -sd+ | bc 2>/dev/null)
    if [ "${good:-0}" -eq 0 ] && [ "${bad:-0}" -eq 0 ]; then bad=1; fi
    count "${good:-0}" "${bad:-0}"
    for number in $(seq "$workers"); do shop_at "$HERE/storage/e2e$number" stop >/dev/null 2>&1; done
}

shop_at() {
    env -i PATH="$PATH" HOME="${HOME:-/root}" DITHERMIC_DEMO="${DITHERMIC_DEMO:-}" DITHERMIC_STATE="$1" bash "$HERE/deploy/dithermic.sh" "${@:2}"
}

drill() {
    prepare_screens
    env -i PATH="$PATH" HOME="${HOME:-/root}" HERE="$HERE" DITHERMIC_DEMO="${DITHERMIC_DEMO:-}" bash "$HERE/deploy/drill.sh" 2>&1 | tee "$OUT/drill"
    local last; last=$(grep -aE '^[0-9]+ passed, [0-9]+ failed$' "$OUT/drill" | tail -n 1)
    if [ -z "$last" ]; then count 0 1; else count "${last%% *}" "$(cut -d' ' -f3 <<<"$last")"; fi
}

# Suites beside one another: what a lane says is shown whole when it is through. What only reckons has the processors
# that those leave over who wait for an answer.
lane() {
    local name=$1 nice=$2 suite; shift 2
    (
        renice -n "$nice" -p "$BASHPID" >/dev/null
        for suite in "$@"; do SECONDS=0; $suite; say "took  $SECONDS s"; done
        echo "$PASSED $FAILED" >"$OUT/lane.$name"
    ) >"$OUT/lane.$name.log" 2>&1 &
}
lanes_end() {
    local name passed failed
    wait
    for name in "$@"; do
        cat "$OUT/lane.$name.log"
        # A lane that died before it could count has failed.
        read -r passed failed <"$OUT/lane.$name" || { passed=0; failed=1; }
        count "$passed" "$failed"
    done
}
core() { pest_suite core "$@"; }
# Its shop is seeded by a program of its own, compiled as every shop's is: in the suite itself it took three times as
# long.
seed_test_database() {
    { artisan migrate:fresh --force && artisan shop:seed; } >"$OUT/seed" 2>&1 && touch "$OUT/seeded"
}
seeded_suite() {
    if ! { [ -f "$OUT/seeded" ] || seed_test_database; }; then tail -n 20 "$OUT/seed"; count 0 1; return; fi
    pest_suite feature "$@"
}
feature() { with_test_database seeded_suite "$@"; }
# One demo is reckoned for all: the others begin as it does.
one_demo() { seed_test_database && (dump_to "$OUT/demo" >"$OUT/dump" 2>&1); }

command -v bc >/dev/null || need_packages bc
[ -x /usr/sbin/pgbouncer ] || need_packages pgbouncer
load_settings
case ${1:-all} in
    core | feature) "$@" ;;
    static | unit | e2e | drill) "$1" ;;
    all)
        need_browser
        (with_test_database one_demo) & demo=$!
        prepare_screens
        # Without it each reckons its own.
        if wait "$demo"; then export DITHERMIC_DEMO=$OUT/demo; fi
        lane screens 0 e2e
        lane kills 0 drill
        lane rules 10 core
        lane server 10 feature
        lane checks 10 static unit
        lanes_end checks rules server kills screens
        ;;
    *) fail "test knows core, feature, unit, static, drill and e2e." ;;
esac
say ''
echo "$PASSED passed, $FAILED failed"
[ "$FAILED" -eq 0 ] && [ "$PASSED" -gt 0 ]
