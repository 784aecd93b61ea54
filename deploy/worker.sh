#!/usr/bin/env bash
# Keeps one worker of the shop NAME alive: of its queue, the one that looks at the time, the one that tells
# screens what has changed, or the stand-in for the instruments of a demo. Told to stop, it lets the task under way end
# first.
set -u
name=$1
child=''
trap 'trap "" TERM; [ -n "$child" ] && kill -TERM "$child" 2>/dev/null && wait "$child"; exit 0' TERM INT
while :; do
    case ${2:-queue} in
        queue)
            php -d memory_limit=1G artisan queue:work --name="$name" --sleep=0.6 --timeout=120 --max-time=3600 --max-jobs=500 --quiet &
            ;;
        # The setting says only whose it is, for whoever has to stop it.
        time)
            php -d "shop.name=$name" artisan shop:watch --quiet &
            ;;
        news)
            php -d "shop.name=$name" artisan shop:news "$LARAVEL_STORAGE_PATH/framework/news.sock" &
            ;;
        machines)
            php -d "shop.name=$name" artisan shop:simulate "$APP_URL" --for=3600 &
            ;;
    esac
    child=$!
    wait "$child"
    sleep 1
done
