<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Contracts\Cache\Repository as Cache;
use Illuminate\Contracts\Config\Repository;
use Illuminate\Database\DatabaseManager;
use Illuminate\Http\Request;
use PDOException;
use Symfony\Component\HttpFoundation\Response;

/**
 * Heavy pages that only read are read from the replica where the shop has one (DB_READ_HOST, DB_READ_PORT), and from
 * the database itself where there is none or it is gone. Every commit is on the replica before it is acknowledged, so
 * that a page never shows less than what a screen was told is kept (config/database.php).
 */
final readonly class FromTheReplica
{
    public const CONNECTION = 'pgsql_reading';

    /** one that did not answer is not asked again for so long, s: behind a pooler each waits to hear that it is gone */
    private const GONE_S = 30;

    public function __construct(
        private DatabaseManager $databases,
        private Repository $config,
        private Cache $cache,
    ) {
    }

    public function handle(Request $request, Closure $next): Response
    {
        if (
            $this->config->get('database.connections.'.self::CONNECTION) === null
            || $this->cache->has(self::CONNECTION)
            || ! $this->answers()
        ) {
            return $next($request);
        }
        $own = $this->databases->getDefaultConnection();
        $this->databases->setDefaultConnection(self::CONNECTION);
        try {
            return $next($request);
        } finally {
            $this->databases->setDefaultConnection($own);
        }
    }

    private function answers(): bool
    {
        try {
            $replica = $this->databases->connection(self::CONNECTION);

            // A persistent connection may be to a server that has died since; one that was promoted is no replica.
            return $replica->scalar("select current_setting('transaction_read_only')") === 'on';
        } catch (PDOException $gone) {
            report($gone);
            $this->databases->purge(self::CONNECTION);
            $this->cache->put(self::CONNECTION, 'gone', self::GONE_S);

            return false;
        }
    }
}
