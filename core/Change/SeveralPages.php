<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Refusal;
use Heronstem\Core\Workspace\Workspace;

/** One change made to several pages in order. Those that are so already are passed over. */
final readonly class SeveralPages implements Change
{
    /**
     * @param  non-empty-list<string>  $pages
     * @param  \Closure(string, string|null): Change  $each  makes the change to a page, told the one before it
     * @param  array<string, mixed>  $written  the change as one writes it, without its pages
     */
    private function __construct(public array $pages, private \Closure $each, private array $written, private bool $branches)
    {
    }

    /**
     * @param  non-empty-list<string>  $pages
     * @param  \Closure(string, string|null): Change  $each
     * @param  array<string, mixed>  $written
     */
    public static function pages(array $pages, \Closure $each, array $written): self
    {
        return new self($pages, $each, $written, false);
    }

    /**
     * For changes that take along what is below: a page inside another of them goes along with it.
     *
     * @param  non-empty-list<string>  $pages
     * @param  \Closure(string, string|null): Change  $each
     * @param  array<string, mixed>  $written
     */
    public static function branches(array $pages, \Closure $each, array $written): self
    {
        return new self($pages, $each, $written, true);
    }

    public function on(Workspace $workspace): void
    {
        $done = null;
        $passed = null;
        foreach ($this->branches ? $this->tops($workspace) : $this->pages as $page) {
            try {
                ($this->each)($page, $done)->on($workspace);
                $done = $page;
            } catch (NothingToChange $already) {
                $passed = $already;
            } catch (Refusal $refusal) {
                $name = $workspace->pages->find($page)->name ?? $page;
                throw new InputRefused(
                    $refusal->field,
                    str_contains($refusal->reason, "“{$name}”") ? $refusal->reason : "“{$name}”: {$refusal->reason}",
                    $refusal->suggestion,
                );
            }
        }
        if ($done === null) {
            throw $passed ?? new InputRefused('pages', 'No page is named.');
        }
    }

    public function pagesNamed(): array
    {
        $first = ($this->each)($this->pages[0], null)->pagesNamed();

        return [...$this->pages, ...$first];
    }

    public function kind(): string
    {
        return ($this->each)($this->pages[0], null)->kind();
    }

    public function sentence(Outcome $outcome): string
    {
        return ($this->each)($this->pages[0], null)->sentence($outcome->together($this->pages[0], count($this->pages)));
    }

    public function toArray(): array
    {
        $first = ($this->each)($this->pages[0], null);

        return ['pages' => $this->pages] + ($first instanceof HoldsSecret ? $first::sealed($this->written, $this->pages) : $this->written);
    }

    /** @return list<string> */
    private function tops(Workspace $workspace): array
    {
        $named = array_flip($this->pages);
        $inside = [];
        $isInside = function (string $id) use (&$isInside, &$inside, $named, $workspace): bool {
            $parent = $workspace->pages->find($id)?->parent;

            return $inside[$id] ??= $parent !== null && (isset($named[$parent]) || $isInside($parent));
        };

        return array_values(array_filter(array_map(strval(...), array_keys($named)), static fn (string $id): bool => ! $isInside($id)));
    }
}
