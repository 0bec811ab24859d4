<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Change\Outcome;
use Heronstem\Core\Change\Wording;
use Heronstem\Core\Redirect\RuleDifference;
use Heronstem\Core\Tree\PageDifference;

/** What a ripple tells of the outcome of its batch; names that it does not hold are asked for. */
final readonly class RippleOutcome implements Outcome
{
    /** @param  array<string, int>  $together  pages that stand for several, with how many */
    public function __construct(private Ripple $ripple, private Names $names, private array $together = [])
    {
    }

    public function page(string $id): string
    {
        if (isset($this->together[$id]) && $this->together[$id] > 1) {
            return "{$this->together[$id]} pages";
        }

        return Wording::name($this->ripple->pages->outcome->find($id)->name ?? ($this->nameBefore($id) ?? $this->names->page($id)));
    }

    public function formerPage(string $id): string
    {
        $name = $this->nameBefore($id);

        return $name === null ? 'a page' : Wording::name($name);
    }

    public function parentOf(string $id): ?string
    {
        $parent = $this->ripple->pages->outcome->find($id)?->parent;

        return $parent === null ? null : Wording::name($this->ripple->pages->outcome->find($parent)->name ?? $this->names->page($parent));
    }

    public function keepsParent(string $id): bool
    {
        $difference = $this->differenceOf($id);

        return $difference !== null && ! $difference->wasMade() && ! $difference->changedParent();
    }

    public function binnedAlong(): int
    {
        return count($this->ripple->pages->binned) - max(1, array_sum($this->together));
    }

    public function menu(string $id): string
    {
        return Wording::name($this->names->menu($id));
    }

    public function entriesOf(string $menu): array
    {
        $came = $went = $changed = 0;
        foreach ($this->ripple->menusAndLinks->menus as $difference) {
            foreach ($difference->menu === $menu ? $difference->entries : [] as [$was, $is]) {
                $came += $was === null ? 1 : 0;
                $went += $is === null ? 1 : 0;
                $changed += $was !== null && $is !== null ? 1 : 0;
            }
        }

        return [$came, $went, $changed];
    }

    public function redirect(string $id): string
    {
        $difference =
            array_values(array_filter($this->ripple->redirects->rules, static fn (RuleDifference $each): bool => $each->rule === $id))[0] ?? null;

        return Wording::name(NormalForm::readable(($difference->before ?? $difference?->after)->source ?? 'an address'));
    }

    public function role(string $key): string
    {
        return Wording::name(($this->ripple->access->after?->roles[$key] ?? null)->name ?? 'a role');
    }

    public function formerRole(string $key): string
    {
        return Wording::name(($this->ripple->access->before?->roles[$key] ?? null)->name ?? 'a role');
    }

    public function person(string $id): string
    {
        $access = $this->ripple->access;

        return Wording::name(($access->before?->people[$id] ?? ($access->after?->people[$id] ?? null))->name ?? 'somebody');
    }

    public function together(string $page, int $count): self
    {
        return new self($this->ripple, $this->names, [$page => $count]);
    }

    private function nameBefore(string $id): ?string
    {
        $name = $this->differenceOf($id)->before['name'] ?? null;

        return is_string($name) ? $name : null;
    }

    private function differenceOf(string $id): ?PageDifference
    {
        foreach ($this->ripple->pages->differences as $difference) {
            if ($difference->page === $id) {
                return $difference;
            }
        }

        return null;
    }
}
