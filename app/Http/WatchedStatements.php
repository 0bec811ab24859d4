<?php

declare(strict_types=1);

namespace App\Http;

use App\Desk\Watch\Measured;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Log;
use Symfony\Component\HttpFoundation\Response;

/** The statements that a request asked of the database, for saying where its time went. */
final class WatchedStatements
{
    /** Statements that the log of a slow request names. */
    private const NAMED = 5;

    private int $count = 0;

    private float $milliseconds = 0;

    /** @var array<string, array{int, float}> how often and how long, by statement without what was asked */
    private array $each = [];

    public function __construct()
    {
        Event::listen(QueryExecuted::class, function (QueryExecuted $query): void {
            $this->count++;
            $this->milliseconds += (float) $query->time;
            [$often, $long] = $this->each[$query->sql] ?? [0, 0.0];
            $this->each[$query->sql] = [$often + 1, $long + (float) $query->time];
        });
    }

    public function said(Request $request, Response $response, float $seconds): void
    {
        $for = $request->attributes->getString('for', $request->is('api/*') ? 'api' : 'editor');
        $labels = sprintf('{for="%s",status="%dxx"}', $for, intdiv($response->getStatusCode(), 100));
        Measured::count("heronstem_requests_total$labels");
        Measured::took('heronstem_request', $seconds, "{for=\"$for\"}");
        if (config('heronstem.server_timing')) {
            $timing = sprintf('app;dur=%.1f, db;dur=%.1f;desc="%d statements"', 1000 * $seconds, $this->milliseconds, $this->count);
            $response->headers->set('Server-Timing', $timing);
        }
        if ($seconds * 1000 >= (int) config('heronstem.slow')) {
            uasort($this->each, static fn (array $a, array $b): int => $b[1] <=> $a[1]);
            Log::warning('A request took long', [
                'method' => $request->getMethod(),
                // Without its query, in which people's words may stand.
                'path' => $request->getPathInfo(),
                'status' => $response->getStatusCode(),
                'seconds' => round($seconds, 3),
                'statements' => $this->count,
                'in_statements' => round($this->milliseconds / 1000, 3),
                'longest' => array_map(
                    static fn (string $sql, array $of): array => [
                        'times' => $of[0],
                        'seconds' => round($of[1] / 1000, 3),
                        'statement' => mb_substr((string) preg_replace('/\s+/', ' ', $sql), 0, 300),
                    ],
                    array_slice(array_keys($this->each), 0, self::NAMED),
                    array_slice(array_values($this->each), 0, self::NAMED),
                ),
            ]);
        }
    }
}
