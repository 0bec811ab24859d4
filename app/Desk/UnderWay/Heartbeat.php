<?php

declare(strict_types=1);

namespace App\Desk\UnderWay;

use App\Models\ChangeUnderWay;
use Illuminate\Database\Connection;
use Illuminate\Database\DatabaseManager;

/**
 * Says how far a large change is, and hears whether it is to stop: by a connection of its own, since what it does itself is seen by
 * nobody before it is done.
 */
final class Heartbeat
{
    /** Seconds between two times that it is written down. */
    private const EVERY = 0.4;

    private float $last = 0;

    private int $done = 0;

    public function __construct(private readonly DatabaseManager $databases)
    {
    }

    /**
     * @param  'planning'|'writing'  $state
     *
     * @throws Stopped
     */
    public function begin(ChangeUnderWay $change, string $state, int $total): void
    {
        $this->done = 0;
        $this->write($change, ['state' => $state, 'total' => $total, 'done' => 0]);
    }

    /** @throws Stopped */
    public function step(ChangeUnderWay $change, int $rows): void
    {
        $this->done += $rows;
        if (microtime(true) - $this->last > self::EVERY) {
            $this->write($change, ['done' => $this->done]);
        }
    }

    /**
     * @param  array<string, string|int>  $said
     *
     * @throws Stopped
     */
    private function write(ChangeUnderWay $change, array $said): void
    {
        $this->last = microtime(true);
        $row = $this->beside()->table('changes_under_way')->where('id', $change->id);
        $row->update([...$said, 'beat_at' => now()]);
        if ($row->value('stop_asked') === true) {
            throw new Stopped('It was stopped before it was written. Nothing was changed.');
        }
    }

    private function beside(): Connection
    {
        $connection = $this->databases->connection('beside');

        return $connection instanceof Connection ? $connection : throw new \LogicException('A connection is none.');
    }
}
