<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Undo;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Series;
use Heronstem\Core\Workspace\CarriedClaims;
use Heronstem\Core\Workspace\PagesAfter;

/** Pages carried along whose addresses something else in the batch is about: they are looked at by themselves. */
final class SingledOut
{
    /** @var list<string> pages that are still carried along, and whose address nobody had before what is undone */
    public readonly array $since;

    /** @var list<Series<ClaimDifference>> what changes did that are undone, but for what follows from pages being carried along */
    public readonly array $undone;

    /** @var array<string, true> */
    private array $wanted = [];

    /** @var array<string, true> */
    private array $known = [];

    private readonly CarriedClaims $carried;

    /** @param  iterable<Address>  $addresses  those that the batch is about, but for what it undoes */
    public function __construct(Batch $batch, PagesAfter $outcome, iterable $addresses)
    {
        $this->carried = new CarriedClaims($outcome->carried());
        $undone = array_map(static fn (Undo $undo): Series => $undo->claims, $batch->undoes());
        if ($outcome->carried()->count() === 0) {
            [$this->since, $this->undone] = [[], $undone];

            return;
        }
        foreach ($addresses as $address) {
            $this->want($address->key);
        }
        $already = $this->wanted;
        $rest = array_map($this->butCarried(...), $undone);
        $outcome->single(array_map(strval(...), array_keys($this->wanted)));
        // What was told of a page before it was known to be none of them is read once more.
        $this->undone = $this->wanted === $already ? $rest : array_map($this->butCarried(...), $undone);
        $this->since = array_map(strval(...), array_keys(array_diff_key($this->known, $this->wanted)));
    }

    private function want(string $key): void
    {
        foreach (array_filter([$this->carried->pages->formerlyAt($key), $this->carried->pages->nextAt($key)]) as $id) {
            $this->wanted[$id] = true;
        }
    }

    /**
     * @param  Series<ClaimDifference>  $claims
     * @return Series<ClaimDifference>
     */
    private function butCarried(Series $claims): Series
    {
        $rest = [];
        foreach ($claims as $difference) {
            $page = $this->carried->pages->formerlyAt($difference->key) ?? $this->carried->pages->nextAt($difference->key);
            if ($page === null || isset($this->wanted[$page])) {
                $rest[] = $difference;
            } else {
                $this->undo($difference, $page);
            }
        }

        return Series::of($rest);
    }

    /** What is restored where nothing else happened since is most often just what being carried along does. */
    private function undo(ClaimDifference $difference, string $page): void
    {
        $now = $this->carried->now($difference->key);
        $was = $difference->before;
        if ($now === null ? $difference->after !== null : $difference->after?->says($now) !== true) {
            return;
        }
        if ($this->carried->pages->nextAt($difference->key) !== null) {
            $isIts = $was?->isPageOf($page) === true && $was->address->path === $this->carried->pages->after($page)->path;
            $isIts || $this->want($difference->key);
        } elseif ($was === null) {
            $this->known[$page] = true;
        } elseif (! $was->says(Claim::redirectTo($this->carried->pages->before($page), $page, true))) {
            // Not just what is left where its address was.
            $this->want($difference->key);
        }
    }
}
