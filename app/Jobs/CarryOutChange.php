<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\BringIn\GiveBackSource;
use App\Desk\UnderWay\CarryOut;
use App\Models\ChangeUnderWay;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Makes a large change that somebody looked at and applied. */
final class CarryOutChange implements ShouldQueue
{
    use Queueable;

    public int $timeout = 3600;

    public int $tries = 1;

    /** A queue of its own: somebody waits for it, and looking through a large site for findings takes minutes. */
    public const QUEUE = 'changes';

    public function __construct(public readonly int $change)
    {
        $this->onQueue(self::QUEUE);
    }

    public function handle(CarryOut $carry): void
    {
        $change = ChangeUnderWay::query()->find($this->change);
        if ($change !== null) {
            $carry->of($change);
        }
    }

    public function failed(?\Throwable $error): void
    {
        $ended = ChangeUnderWay::query()
            ->whereKey($this->change)
            ->whereNull('ended_at')
            ->update([
                'state' => 'failed',
                'ended_at' => now(),
                'problem' => 'It stopped by a fault, which is in the log. Nothing was changed. Try again.',
            ]);
        $change = $ended === 0 ? null : ChangeUnderWay::query()->find($this->change);
        $change === null || app(GiveBackSource::class)->after($change);
    }
}
