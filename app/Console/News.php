<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;
use React\EventLoop\Loop;
use React\Socket\ConnectionInterface;
use React\Socket\UnixServer;
use RuntimeException;

/**
 * Tells open screens what the database has just committed, as server-sent events (HTML Living Standard, 9.2). It stands
 * behind nginx, which asks the application who may listen, and says no more than which run, machine or list has news.
 */
final class News extends Command
{
    protected $signature = 'shop:news {socket : the socket that the web server asks}';

    protected $description = 'Tell screens what has changed';

    /** What comes together is told together, s. */
    private const GATHER_S = 0.1;

    /** A silent line is kept open by a word now and then, s. */
    private const WORD_S = 20.0;

    /** Who listens is asked anew who they are after so long, s. */
    private const LISTENS_S = 600.0;

    /** a browser comes back after, ms */
    private const AGAIN_MS = 2000;

    private const MOST_SCREENS = 200;

    private const MOST_REQUEST = 16_384;

    /** more than this and screens are told to look at everything */
    private const MOST_TOLD = 200;

    /** @var array<int, ConnectionInterface> */
    private array $screens = [];

    /** @var array<string, true> not told yet */
    private array $gathered = [];

    public function handle(): int
    {
        $this->hear();
        $this->serve((string) $this->argument('socket'));
        Loop::addPeriodicTimer(self::WORD_S, fn () => $this->say(": here\n\n"));
        Loop::run();

        return self::SUCCESS;
    }

    /** @throws RuntimeException where the database does not answer */
    private function hear(): void
    {
        $database = pg_connect(self::where(), PGSQL_CONNECT_FORCE_NEW);
        if ($database === false || pg_query($database, 'listen news') === false) {
            throw new RuntimeException('the database does not answer');
        }
        $socket = pg_socket($database) ?: throw new RuntimeException('the database has no line to listen on');
        Loop::addReadStream($socket, function () use ($database): void {
            // Without the database there is no news: whoever keeps this alive begins it again.
            if (! pg_consume_input($database) || pg_connection_status($database) !== PGSQL_CONNECTION_OK) {
                exit(self::FAILURE);
            }
            // Compiled code takes its answer for an array, whatever it is: what is in it is asked for instead.
            do {
                $told = (array) pg_get_notify($database);
                isset($told['payload']) && $this->gather((string) $told['payload']);
            } while (isset($told['payload']));
        });
    }

    private function gather(string $what): void
    {
        if ($this->gathered === []) {
            Loop::addTimer(self::GATHER_S, function (): void {
                $told = count($this->gathered) > self::MOST_TOLD ? ['all'] : array_keys($this->gathered);
                $this->gathered = [];
                $this->say('data: '.implode("\ndata: ", $told)."\n\n");
            });
        }
        $this->gathered[$what] = true;
    }

    private function say(string $event): void
    {
        foreach ($this->screens as $screen) {
            $screen->write($event);
        }
    }

    private function serve(string $path): void
    {
        @unlink($path);
        $server = new UnixServer($path);
        chmod($path, 0660);
        $server->on('connection', function (ConnectionInterface $screen): void {
            $asked = '';
            $screen->on('data', function (string $part) use ($screen, &$asked): void {
                $asked = substr($asked.$part, 0, self::MOST_REQUEST);
                if (! isset($this->screens[spl_object_id($screen)]) && str_contains($asked, "\r\n\r\n")) {
                    $this->take($screen);
                }
            });
            $screen->on('close', function () use ($screen): void {
                unset($this->screens[spl_object_id($screen)]);
            });
        });
    }

    private function take(ConnectionInterface $screen): void
    {
        if (count($this->screens) >= self::MOST_SCREENS) {
            $screen->end("HTTP/1.1 503 Service Unavailable\r\nConnection: close\r\nContent-Length: 0\r\n\r\n");

            return;
        }
        $this->screens[spl_object_id($screen)] = $screen;
        $screen->write("HTTP/1.1 200 OK\r\nContent-Type: text/event-stream\r\nCache-Control: no-store\r\n");
        $screen->write("Connection: close\r\n\r\n");
        $screen->write('retry: '.self::AGAIN_MS."\n\n");
        Loop::addTimer(self::LISTENS_S, static fn () => $screen->end());
    }

    private static function where(): string
    {
        $of = (array) config('database.connections.pgsql');
        $said = '';
        foreach (['host' => 'direct_host', 'port' => 'direct_port', 'dbname' => 'database', 'user' => 'username'] as $name => $key) {
            $said .= sprintf("%s='%s' ", $name, addcslashes((string) ($of[$key] ?? ''), "'\\"));
        }

        return $said.sprintf("password='%s'", addcslashes((string) ($of['password'] ?? ''), "'\\"));
    }
}
