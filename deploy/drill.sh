#!/usr/bin/env bash
# What would be lost? Does the bad things to a shop of its own and counts what is left. Short as it stands; `dithermic
# drill 20` does each kill twenty times. Prints `N passed, N failed`.
set -uo pipefail
ROUNDS=${1:-1}
ROOM=$(mktemp -d "${TMPDIR:-/tmp}/dithermic-drill.XXXXXX")
chmod 711 "$ROOM"
S=$ROOM/shop
PASSED=0 FAILED=0
shop() {
    env -i PATH="$PATH" HOME="${HOME:-/}" DITHERMIC_DEMO="${DITHERMIC_DEMO:-}" DITHERMIC_STATE="$S" bash "$HERE/deploy/dithermic.sh" "$@"
}
finish() {
    shop stop >/dev/null 2>&1
    [ ! -d "$ROOM/second" ] || second stop >/dev/null 2>&1
    [ ! -f "$ROOM/balancer/balancer.pid" ] || pkill -F "$ROOM/balancer/balancer.pid"
    [ ! -f "$ROOM/pooler/pgbouncer.pid" ] || pkill -F "$ROOM/pooler/pgbouncer.pid"
    pkill -9 -f "postgres -D $ROOM/replica"
    mountpoint -q "$ROOM/small" && umount "$ROOM/small"; rm -rf "$ROOM"
}
trap finish EXIT

check() {
    if [ "$2" = "$3" ]; then
        PASSED=$((PASSED + 1))
        echo "ok    $1"
    else
        FAILED=$((FAILED + 1))
        echo "FAIL  $1: $3 wanted, $2 found"
    fi
}
cluster() { if [ "$(cat "$S/cluster")" = here ]; then echo "$S/pg"; else cat "$S/cluster"; fi; }
base() { echo "http://127.0.0.1:$(cat "$S/run/web-port")"; }
# Below 32768: above it, any connection that somebody makes may have the port at its own end.
free() {
    local p
    for p in $(seq "${1:-8400}" $((${1:-8400} + 60))); do
        (exec 3<>"/dev/tcp/127.0.0.1/$p") 2>/dev/null || { echo "$p"; return; }
    done
}
keeper() {
    (. "$S/keeper.env"; PGPASSWORD=$DITHERMIC_KEEPER_PASSWORD psql -qtAX -h 127.0.0.1 -p "$(cat "$S/run/pg-port")" -U keeper -d "${DB:-dithermic}" -c "$1")
}
sources() { keeper "select count(*) from sources where name like 'drill %'"; }

sign_in() {
    rm -f "$ROOM/cookies"
    curl -fsS -c "$ROOM/cookies" -o /dev/null -H "Origin: $(base)" "$(base)/sanctum/csrf-cookie"
    ask POST session "{\"login\":\"${1:-maren}\",\"password\":\"${2:-two-heats-oak}\"}" >/dev/null
}
ask() {
    local token; token=$(awk '$6 == "XSRF-TOKEN" { print $7 }' "$ROOM/cookies" | sed 's/%3D/=/g; s/%2B/+/g; s/%2F/\//g')
    curl -sS -m 20 -o "$ROOM/answer" -w '%{http_code}' -b "$ROOM/cookies" -c "$ROOM/cookies" -X "$1" -H "Origin: $(base)" -H 'Accept: application/json' -H 'Content-Type: application/json' -H "X-XSRF-TOKEN: $token" ${3:+-d "$3"} "$(base)/api/v1/$2" 2>/dev/null
}
bring() {
    local token; token=$(awk '$6 == "XSRF-TOKEN" { print $7 }' "$ROOM/cookies" | sed 's/%3D/=/g; s/%2B/+/g; s/%2F/\//g')
    curl -sS -m 20 -o "$ROOM/answer" -w '%{http_code}' -b "$ROOM/cookies" -c "$ROOM/cookies" -H "Origin: $(base)" -H 'Accept: application/json' -H "X-XSRF-TOKEN: $token" -F "file=@$2" -F "id=$1" -F preview=0 "$(base)/api/v1/transfer/lots"
}
# One write; counts it when the shop said that it has it.
SAID=0
write() { [ "$(ask POST sources "{\"name\":\"drill $RANDOM$RANDOM$RANDOM\"}")" = 201 ] && SAID=$((SAID + 1)); }

echo '── drill'
shop start --port "$(free)" >"$ROOM/start" 2>&1 || { cat "$ROOM/start"; echo '0 passed, 1 failed'; exit 1; }
sign_in

for round in $(seq "$ROUNDS"); do
    for _ in $(seq 15); do write; done
    ( for _ in $(seq 40); do write; done; echo "$SAID" >"$ROOM/said" ) & writer=$!
    sleep 0.4
    # The power goes: web and database at once, and nobody is asked.
    pkill -9 -F "$S/run/nginx.pid"
    pkill -9 -F "$S/run/php-fpm.pid"
    kill -9 "$(head -n 1 "$(cluster)/data/postmaster.pid")"
    wait "$writer"; SAID=$(cat "$ROOM/said")
    shop start >"$ROOM/start" 2>&1 || cat "$ROOM/start"
    left=$(sources)
    # One more than was said may be there: it was stored when the answer was cut off.
    check "kill $round: $SAID said, $left there, and no demo in its place" "$((left >= SAID && left <= SAID + 1))" 1
    SAID=$left
    sign_in
done

# A start on a shop that runs reads everything anew, and whoever is being answered is answered.
touch "$ROOM/asking"
for one in 1 2 3 4; do
    while [ -f "$ROOM/asking" ]; do curl -sS -m 20 -o /dev/null -w '%{http_code}\n' "$(base)/up"; done >"$ROOM/answered$one" 2>&1 &
done
shop start >"$ROOM/start" 2>&1 || cat "$ROOM/start"
rm "$ROOM/asking"; wait
check "a start beside $(cat "$ROOM"/answered* | wc -l) questions leaves none without its answer" "$(cat "$ROOM"/answered* | sort -u)" 200

# A task that the power ends half way is done after the next start, once and whole.
{ echo source,polymer,form,colour,mass_g; yes "$(keeper 'select name from sources order by id limit 1'),HDPE,flake,drill green,100" | head -n 4000; } >"$ROOM/lots.csv"
green() { keeper "select count(*) from lots where colour = 'drill green'"; }
task=$(cat /proc/sys/kernel/random/uuid)
check 'an import of 4,000 rows goes to the queue' "$(bring "$task" "$ROOM/lots.csv")" 202
for _ in $(seq 100); do [ "$(keeper "select share > 0.3 from tasks where id = '$task'")" = t ] && break; sleep 0.1; done
pkill -9 -f "shop-$(printf '%s' "$S" | sha256sum | cut -c1-12)"
check '… whose worker is killed half way, with no row in' "$(green)" 0
shop start >"$ROOM/start" 2>&1 || cat "$ROOM/start"
for _ in $(seq 300); do [ "$(keeper "select state from tasks where id = '$task'")" = done ] && break; sleep 0.1; done
check '… and that is done after the next start, once and whole' "$(green)" 4000
check '… and sent again is known' "$(bring "$task" "$ROOM/lots.csv") $(green)" '202 4000'

shop backup "$ROOM/good.dump" >/dev/null 2>&1; check 'a backup succeeds' $? 0
before=$(sha256sum <"$ROOM/good.dump")
( ulimit -f 16; shop backup "$ROOM/good.dump" ) >/dev/null 2>&1; check 'a backup to a full disk fails' $(($? != 0)) 1
check '… and yesterday'"'"'s is as it was, with nothing half beside it' "$(sha256sum <"$ROOM/good.dump")$(find "$ROOM" -name '*.part*' | wc -l)" "${before}0"
shop backup "$ROOM/nowhere/x.dump" >/dev/null 2>&1; check 'a backup into no folder fails' $(($? != 0)) 1

cp "$ROOM/good.dump" "$ROOM/damaged.dump"
printf '\377\376\375\374\373\372\371\370' | dd of="$ROOM/damaged.dump" bs=1 seek=60 conv=notrunc 2>/dev/null
head -c 40000 "$ROOM/good.dump" >"$ROOM/cut.dump"; echo 'not a backup' >"$ROOM/text.dump"
(. "$S/keeper.env"; export PGPASSWORD=$DITHERMIC_KEEPER_PASSWORD; server=(-h 127.0.0.1 -p "$(cat "$S/run/pg-port")" -U keeper); createdb "${server[@]}" strange && psql -q "${server[@]}" -d strange -c 'create table invoices (id int)' && pg_dump -Fc "${server[@]}" -f "$ROOM/strange.dump" strange && dropdb "${server[@]}" strange)
write; kept=$(sources); SAID=$kept
for bad in damaged cut text strange; do
    shop restore "$ROOM/$bad.dump" --replace >/dev/null 2>&1; check "restore refuses: $bad" $(($? != 0)) 1
    check "… and the shop is as it was" "$(sources)" "$kept"
done

for round in $(seq "$ROUNDS"); do
    for wait in 0.5 2 3.5; do
        setsid bash -c "env -i PATH='$PATH' HOME='${HOME:-/}' DITHERMIC_STATE='$S' bash '$HERE/deploy/dithermic.sh' restore '$ROOM/good.dump' --replace" >/dev/null 2>&1 & victim=$!
        sleep "$wait"; kill -9 -- "-$victim" 2>/dev/null; wait "$victim" 2>/dev/null
        shop start >"$ROOM/start" 2>&1 || cat "$ROOM/start"
        now=$(sources); aside=$(DB=dithermic_before sources 2>/dev/null || echo 0)
        check "restore killed after $wait s: the shop of before ($kept) or of the backup is there whole" "$((now == kept || aside == kept))" 1
        [ "$now" = "$kept" ] \
            || { shop restore "$ROOM/good.dump" --replace >/dev/null 2>&1; keeper 'select 1' >/dev/null; }
        kept=$(sources)
    done
done
shop restore "$ROOM/good.dump" --replace >"$ROOM/restore" 2>&1; check 'a good backup goes in' $? 0
check '… with the shop that was here put aside' "$(DB=dithermic_before sources)" "$kept"
sign_in; check '… and somebody can sign in' "$(ask GET lots)" 200

shop stop >/dev/null 2>&1
mv "$S" "$ROOM/moved"; S=$ROOM/moved
shop start >"$ROOM/start" 2>&1; check 'a folder that was moved starts' $? 0
check '… and is the same shop' "$(DB=dithermic_before sources)" "$kept"
if [ "$(cat "$S/cluster")" != here ]; then
    cp -a "$S" "$ROOM/copy"
    S=$ROOM/copy
    shop start >/dev/null 2>&1
    check 'a copy that shares the database is refused' $(($? != 0)) 1
    S=$ROOM/moved
fi
# The workers of the queue come back at once: nobody may, until it has gone.
DB=postgres keeper 'alter database dithermic allow_connections false' >/dev/null
DB=postgres keeper "select pg_terminate_backend(pid) from pg_stat_activity where datname = 'dithermic'" >/dev/null
DB=postgres keeper 'alter database dithermic rename to dithermic_lost' >/dev/null
shop start >"$ROOM/start" 2>&1; check 'a lost database is not replaced by a new one' $(($? != 0)) 1
check '… and the plain error names what is there' "$(grep -c dithermic_lost "$ROOM/start")" 1
DB=postgres keeper 'alter database dithermic_lost rename to dithermic' >/dev/null
DB=postgres keeper 'alter database dithermic allow_connections true' >/dev/null
shop start >/dev/null 2>&1
check 'the shop is open for the rest' "$(keeper 'select 1')" 1

# Eight questions at once by one who is signed in, each three seconds long: its second half comes late.
sign_in
heavy='{"geometry":"slab","layers":[{"thickness_mm":40,"conductivity_w_mk":0.3,"density_kg_m3":900,"specific_heat_j_gk":2,"initial_c":130,"latent":{"heat_j_g":200,"liquidus_c":130,"width_k":0.5}}],"left":{"kind":"insulated"},"right":{"kind":"fixed","c":30},"duration_s":10800,"sample_s":[10800]}'
token=$(awk '$6 == "XSRF-TOKEN" { print $7 }' "$ROOM/cookies" | sed 's/%3D/=/g; s/%2B/+/g; s/%2F/\//g')
for i in $(seq 8); do
    { printf '%s' "${heavy:0:100}"; sleep 3; printf '%s' "${heavy:100}"; } | curl -sS -m 20 -o /dev/null -w '%{http_code}\n' -b "$ROOM/cookies" -H "Origin: $(base)" -H 'Accept: application/json' -H 'Content-Type: application/json' -H "X-XSRF-TOKEN: $token" -X POST -T - "$(base)/api/v1/calc/heat.slab" >"$ROOM/heavy.$i" &
    asked[i]=$!
done
wait "${asked[@]}"
check 'of eight calculations at once three are done' "$(cat "$ROOM"/heavy.* | sort | uniq -c | awk '{ printf "%s of %s ", $1, $2 }')" '3 of 200 5 of 429 '
check '… and the next is as before' "$(ask POST calc/heat.slab "$heavy")" 200

# A shift played through the doors, at most six hundred times as fast: four machines, two people, three faults.
for run in $(keeper "select id from runs where status = 'running'"); do
    ask POST "runs/$run/events" "{\"events\":[{\"key\":\"drill-${run:0:12}\",\"type\":\"aborted\",\"at\":$(date +%s),\"data\":{\"reason\":\"a drill\"}}]}" >/dev/null
done
shop simulate --speed=600 --hours=4 >"$ROOM/shift" 2>&1
said() { sed -n "s/^ *\"$1\": \([^,]*\),*$/\1/p" "$ROOM/shift"; }
[ -n "$(said events)" ] || cat "$ROOM/shift"
check "a shift of $(said hours) h at ×$(said speed): $(said runs) runs on $(said machines) machines, all to their end" "$(said machines) $(said people) $(said ended)" "4 2 $(said runs)"
check "… of $(said events) entries none is lost" "$(said events_lost) $(said refused)" '0 []'
check "… of $(said readings) readings none" "$(said readings_lost)" 0
check "… $(said faults) faults rang, and nothing else did" "$(said faults) $(said faults_missed) $(said alarms_false)" '3 0 0'

# What is measured on is a shop like any other.
shop seed --scale 400 0 >"$ROOM/scale" 2>&1
check 'years of the demo are made beside it' "$(grep -oE '^[0-9]+ runs' "$ROOM/scale" | awk '{ print ($1 > 500) }')" 1
check '… no lot of theirs gives more than it had' "$(keeper "select count(*) from (select lot_id from lot_movements join lots on lots.id = lot_id where code like 'S%' group by lot_id having sum(mass_g) < 0) less")" 0
check '… and lists and charts answer' "$(for of in floor runs goods learnt learnt/1 lots; do ask GET $of; echo; done | sort | uniq -c | awk '{ print $1, $2 }')" '6 200'

if [ "$(id -u)" -eq 0 ] && [ "$(ps -o user= -C nginx | sort -u | grep -c www-data)" -gt 0 ]; then
    su www-data -s /bin/sh -c ": > '$S/cache/packages.php'" 2>/dev/null
    check 'the web cannot write what root runs' $(($? != 0)) 1
    su nobody -s /bin/sh -c "cat '$S/app.env' '$S/keeper.env' '$S/cache/config.php' '$S/run/php-fpm.conf'" >/dev/null 2>&1
    check 'nobody else reads a password' $(($? != 0)) 1
fi
(. "$S/app.env"; export PGPASSWORD=$DITHERMIC_DB_PASSWORD; psql -qtAX -h 127.0.0.1 -p "$(cat "$S/run/pg-port")" -U dithermic -d dithermic -c 'alter table lot_movements disable trigger all') >/dev/null 2>&1
check 'the web cannot disarm the ledger' $(($? != 0)) 1
(. "$S/app.env"; export PGPASSWORD=$DITHERMIC_DB_PASSWORD; psql -qtAX -h 127.0.0.1 -p "$(cat "$S/run/pg-port")" -U dithermic -d dithermic -c 'create table mine (id int)') >/dev/null 2>&1
check 'the web makes no tables' $(($? != 0)) 1
check 'pages of the database carry checksums' "$(DB=postgres keeper 'show data_checksums')" on

# Two web nodes behind a balancer on one database, with a replica that has each commit before it is acknowledged. The
# second node is a folder with the key of the first and the address of the database.
PGBIN=$(ls -d /usr/lib/postgresql/*/bin | tail -n 1) OWNER=$(stat -c %U "$(cluster)/data") DB_PORT=$(cat "$S/run/pg-port")
db() { if [ "$(id -un)" = "$OWNER" ]; then "$@"; else su "$OWNER" -s /bin/bash -c "$(printf '%q ' "$@")"; fi; }
second() { env -i PATH="$PATH" HOME="${HOME:-/}" DITHERMIC_STATE="$ROOM/second" bash "$HERE/deploy/dithermic.sh" "$@"; }
ONE=$(cat "$S/run/web-port"); TWO=$(free); mkdir -p "$ROOM/second"; touch "$ROOM/second/begun"
BALANCER=$(free 8500)
printf 'SANCTUM_STATEFUL_DOMAINS=127.0.0.1:%s\nTRUSTED_PROXIES=127.0.0.1\n' "$BALANCER" >>"$S/app.env"
(. "$S/keeper.env"; echo "$DITHERMIC_KEEPER_PASSWORD") >"$ROOM/word"
mkdir -m 700 "$ROOM/replica"; chown "$OWNER" "$ROOM/replica"
echo 'host replication keeper 127.0.0.1/32 scram-sha-256' | db tee -a "$(cluster)/data/pg_hba.conf" >/dev/null
keeper 'select pg_reload_conf()' >/dev/null
db env PGPASSWORD="$(cat "$ROOM/word")" $PGBIN/pg_basebackup -h 127.0.0.1 -p "$DB_PORT" -U keeper -D "$ROOM/replica" -R -X stream -c fast -C -S second >"$ROOM/basebackup" 2>&1 \
    || cat "$ROOM/basebackup"
REPLICA=$(free 8600) POOL=$(free 8700)
replica_on() {
    local options="-p $REPLICA -c listen_addresses=127.0.0.1 -c unix_socket_directories=$ROOM/replica"
    db $PGBIN/pg_ctl -D "$ROOM/replica" -w -o "$options -c max_connections=60" -l "$ROOM/replica/server.log" start \
        >/dev/null || tail -n 5 "$ROOM/replica/server.log"
}
replica_on
there() { PGPASSWORD=$(cat "$ROOM/word") psql -qtAX -h 127.0.0.1 -p "$REPLICA" -U keeper -d dithermic -c "$1"; }
# The first node has its own connections, the second is behind a pooler that begins transactions on a few.
mkdir -m 700 "$ROOM/pooler"
pooler() {
    sed -e "s|@DIR@|$ROOM/pooler|g; s|@HOST@|127.0.0.1|g; s|@DATABASE@|$1|g; s|@REPLICA@|$REPLICA|g; s|@PORT@|$POOL|g" "$HERE/deploy/pgbouncer.ini" >"$ROOM/pooler/pgbouncer.ini"
}
pooler "$DB_PORT"
(. "$S/app.env"; printf '"dithermic" "%s"\n' "$DITHERMIC_DB_PASSWORD") >"$ROOM/pooler/users.txt"
chown -R "$OWNER" "$ROOM/pooler"
db /usr/sbin/pgbouncer -q -d "$ROOM/pooler/pgbouncer.ini"
(. "$S/app.env"; printf 'APP_KEY=%s\nDB_HOST=127.0.0.1\nDB_PORT=%s\nDB_DATABASE=dithermic\nDB_USERNAME=dithermic\nDB_PASSWORD=%s\n' "$APP_KEY" "$POOL" "$DITHERMIC_DB_PASSWORD"; printf 'DB_POOLED=true\nDB_READ_PORT=%s\nDB_DIRECT_PORT=%s\n' "$POOL" "$DB_PORT"; grep -E '^(SANCTUM|TRUSTED)' "$S/app.env") >"$ROOM/second/app.env"
echo "DB_READ_PORT=$REPLICA" >>"$S/app.env"
shop start --port "$ONE" >"$ROOM/start" 2>&1 || cat "$ROOM/start"
second start --no-demo --port "$TWO" >"$ROOM/start" 2>&1 || cat "$ROOM/start"
mkdir -p "$ROOM/balancer"
sed -e "s|@DIR@|$ROOM/balancer|g; s|@ONE@|$ONE|; s|@TWO@|$TWO|; s|@PORT@|$BALANCER|" "$HERE/deploy/balancer.conf" >"$ROOM/balancer/nginx.conf"
nginx -c "$ROOM/balancer/nginx.conf"
keeper "alter system set synchronous_standby_names = '*'" >/dev/null; keeper 'select pg_reload_conf()' >/dev/null
for _ in $(seq 40); do [ "$(keeper 'select sync_state from pg_stat_replication')" = sync ] && break; sleep 0.25; done
check 'a replica has each commit before it is acknowledged' "$(keeper 'select sync_state from pg_stat_replication')" sync

base() { echo "http://127.0.0.1:$BALANCER"; }
sign_in
check 'who signs in at two nodes is signed in at both' "$(for _ in 1 2 3 4 5 6; do ask GET lots; echo; done | sort -u)" 200
check 'long looks back are asked at both' "$(for _ in 1 2 3 4 5 6; do ask GET learnt; echo; done | sort -u)" 200
check '… and read from the replica' "$(there "select count(*) > 1 from pg_stat_activity where application_name = 'dithermic-reading'")" t
check '… where each source is as soon as it is acknowledged' "$(for _ in 1 2 3 4 5 6 7 8; do write; [ "$(sources)" = "$(there "select count(*) from sources where name like 'drill %'")" ] && echo there; done | sort -u)" there
db $PGBIN/pg_ctl -D "$ROOM/replica" -m immediate stop >/dev/null
check '… and from the database while the replica is gone' "$(for _ in 1 2 3 4 5 6; do ask GET learnt; echo; done | sort -u)" 200
replica_on
for _ in $(seq 40); do [ "$(keeper 'select sync_state from pg_stat_replication')" = sync ] && break; sleep 0.25; done
SAID=$(sources)
# Sixty writes, and what was said of them so far; and until some of them were.
sixty() { for _ in $(seq 60); do write; echo "$SAID" >"$ROOM/said.part"; mv "$ROOM/said.part" "$ROOM/said"; done; }
amid() { for _ in $(seq 150); do [ "$(cat "$ROOM/said")" -lt $((SAID + 5)) ] || return; sleep 0.2; done; }
echo "$SAID" >"$ROOM/said"; sixty & writer=$!
amid; for of in nginx php-fpm; do died=$(cat "$S/run/$of.pid"); kill -9 "$died" $(pgrep -P "$died"); done
wait "$writer"; SAID=$(cat "$ROOM/said"); left=$(sources)
check "one node killed amid 60 writes: $SAID said, $left there" "$((left >= SAID && left <= SAID + 1 && SAID > 50))" 1
check '… and the other goes on' "$(ask GET floor)" 200
sixty & writer=$!
amid; kill -9 "$(head -n 1 "$(cluster)/data/postmaster.pid")"
wait "$writer"; before=$SAID SAID=$(cat "$ROOM/said")
db $PGBIN/pg_ctl -D "$ROOM/replica" -w promote >/dev/null
# What stands behind the pooler is another now; the nodes before it are not begun anew.
pooler "$REPLICA"; pkill -HUP -F "$ROOM/pooler/pgbouncer.pid"
left=$(there "select count(*) from sources where name like 'drill %'")
check "the database killed amid writes, its replica promoted: $SAID said, $left there" "$((left >= SAID && left <= SAID + 1 && SAID > before))" 1
check '… and who was signed in writes on' "$(ask POST sources '{"name":"drill on the replica"}')" 201
nginx -c "$ROOM/balancer/nginx.conf" -s stop 2>/dev/null
second stop >/dev/null 2>&1
pkill -F "$ROOM/pooler/pgbouncer.pid"
db $PGBIN/pg_ctl -D "$ROOM/replica" -m immediate stop >/dev/null
base() { echo "http://127.0.0.1:$(cat "$S/run/web-port")"; }

# A disk of its own that can be filled, where the machine lets us make one: the database and the logs are on it.
if [ "$(id -u)" -eq 0 ] && mkdir "$ROOM/small" && mount -t tmpfs -o size=420m,mode=755 tmpfs "$ROOM/small" 2>/dev/null; then
    shop stop >/dev/null 2>&1
    S=$ROOM/small/shop SAID=0 answers=''
    # Empty: what is written is what counts.
    shop start --no-demo --port "$(free)" >"$ROOM/start" 2>&1 || cat "$ROOM/start"
    sign_in lead "$(grep -oP 'password \K\S+' "$ROOM/start" | head -n 1)"
    # Room for a few writes more, then none.
    head -c 96K /dev/zero >"$ROOM/small/spare"
    dd if=/dev/zero of="$ROOM/small/fill" bs=1M 2>/dev/null
    rm "$ROOM/small/spare"
    note=$(head -c 400 /dev/zero | tr '\0' x) refused=0
    for i in $(seq 600); do
        answer=$(ask POST sources "{\"name\":\"drill full $i\",\"note\":\"$note\"}")
        answers+="$answer "
        if [ "$answer" = 201 ]; then SAID=$((SAID + 1)); else refused=$((refused + 1)); fi
        [ "$refused" -lt 20 ] || break
    done
    check 'a full disk is 201 or the 503 that was promised' "$(tr ' ' '\n' <<<"$answers" | sort -u | grep . | paste -sd' ')" '201 503'
    check '… and the shop can still be read' "$(ask GET lots)" 200
    shop backup "$ROOM/small/full.dump" >/dev/null 2>&1; check '… and a backup to it fails' $(($? != 0)) 1
    rm -f "$ROOM/small/fill"
    check "… and of $SAID said all are there, and no more" "$(sources)" "$SAID"
    check '… and it goes on when there is room' "$(ask POST sources '{"name":"drill after"}')" 201
    shop stop >/dev/null 2>&1
fi
echo
echo "$PASSED passed, $FAILED failed"
[ "$FAILED" -eq 0 ]
