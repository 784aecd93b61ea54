#!/usr/bin/env bash
# Keeps one worker of the queue alive. Told to stop, it lets the task under way end first.
set -u
child=''
trap 'trap "" TERM; [ -n "$child" ] && kill -TERM "$child" 2>/dev/null && wait "$child"; exit 0' TERM INT
while :; do
    # A machine that slept, or whose clock was set, is followed as soon as no run is under way.
    php artisan shop:clock
    php -d memory_limit=1G artisan queue:work --name="$1" --sleep=0.3 --timeout=120 --max-time=600 --max-jobs=500 --quiet &
    child=$!
    wait "$child"
    sleep 1
done
