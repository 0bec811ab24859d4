<?php

declare(strict_types=1);

namespace App\Desk\UnderWay;

use App\Desk\KnownFiles;
use App\Desk\UndoEntry;
use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Change\Undo;
use Heronstem\Core\Decision\DecisionReader;
use Heronstem\Core\Decision\WhenUnanswered;
use Heronstem\Core\Refusal;

/**
 * What was asked for, read where it arrives and read again where it is carried out later.
 *
 * @phpstan-type Asked array{changes?: array<mixed>, undoes?: list<string>, plan?: string, only?: list<string>|null, import?: string, decisions: array<mixed>, defaults: bool}
 */
final readonly class AskedBatch
{
    public function __construct(private KnownFiles $files, private UndoEntry $undo)
    {
    }

    /**
     * @param  Asked  $asked
     *
     * @throws Refusal naming what is wrong
     */
    public function read(Site $site, array $asked): Batch
    {
        if (isset($asked['undoes'])) {
            $entries = HistoryEntry::query()->where('site_id', $site->id)->whereIn('ulid', $asked['undoes'])->orderByDesc('id')->get();

            return $this->undo->several($site, $entries, (new DecisionReader($site->rules()))->all($asked['decisions']));
        }
        $batch = (new ChangeReader($site->rules(), $site->zone, $site->ownAddresses()))->batch(
            $asked['changes'] ?? [],
            $asked['decisions'],
            $asked['defaults'] ? WhenUnanswered::TakesDefault : WhenUnanswered::StaysOpen,
        );
        $this->files->guard($batch, $site);

        return $batch;
    }

    /**
     * @param  array<mixed>  $decisions  as they were given
     * @return Asked|null null for what is undone only in part
     */
    public static function undoing(Batch $batch, array $decisions): ?array
    {
        $undoes = $batch->undoes();

        return $undoes === [] || array_filter($undoes, static fn (Undo $undo): bool => $undo->only !== null) !== []
            ? null
            : [
                'undoes' => array_map(static fn (Undo $undo): string => $undo->entry, array_values($undoes)),
                'decisions' => $decisions,
                'defaults' => true,
            ];
    }
}
