<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\InputRefused;

/** Changes that belong together, in order, on one site: planned, shown and applied as one. */
final readonly class Batch
{
    /** Most pages that the changes of one batch name. */
    public const MAX_PAGES = 10000;

    public Decisions $decisions;

    /** @param  non-empty-list<Change>  $changes */
    public function __construct(public array $changes, ?Decisions $decisions = null)
    {
        $this->decisions = $decisions ?? Decisions::of();
    }

    public static function of(Change ...$changes): self
    {
        if ($changes === []) {
            throw new InputRefused('changes', 'This batch contains no change.');
        }

        return new self(array_values($changes));
    }

    /**
     * The same batch with more at its end.
     *
     * @param  list<Change>  $changes
     * @param  list<Decision>  $decisions
     */
    public function with(array $changes, array $decisions): self
    {
        return new self([...$this->changes, ...$changes], $this->decisions->and(...$decisions));
    }

    /** @return list<Undo> the entries that this batch undoes, newest first */
    public function undoes(): array
    {
        return array_values(array_filter($this->changes, static fn (Change $change): bool => $change instanceof Undo));
    }

    /** @return list<string> redirects that the changes name, which exist or not */
    public function redirectsNamed(): array
    {
        return array_values(
            array_map(
                static fn (NamesRedirect $change): string => $change->redirectNamed(),
                array_filter($this->changes, static fn (Change $change): bool => $change instanceof NamesRedirect),
            ),
        );
    }

    /** Which change says last how a redirect is: the one that names it, else the last of all. */
    public function lastOf(string $redirect): int
    {
        $last = count($this->changes) - 1;
        for ($i = $last; $i >= 0; $i--) {
            $change = $this->changes[$i];
            if ($change instanceof NamesRedirect && $change->redirectNamed() === $redirect) {
                return $i;
            }
        }

        return $last;
    }

    /** @return list<string> pages that the changes name, which exist or not */
    public function pagesNamed(): array
    {
        $named = [];
        foreach ($this->changes as $change) {
            foreach ($change->pagesNamed() as $page) {
                $named[$page] = true;
            }
        }

        return array_map(strval(...), array_keys($named));
    }
}
