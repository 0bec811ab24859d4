<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Workspace\Workspace;

/** Sets what a page and all pages below it tell search engines where they say nothing themselves. */
final readonly class SetBranchSearch implements RequestedChange
{
    use HasShape, NamesItsPage, SearchDefaultFields;

    /** @param  array<string, mixed>  $given  by field */
    public function __construct(public string $page, private array $given)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('set-branch-search', Subject::Pages, ...self::defaultFields());
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), self::readDefaults($input));
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        $changed = $page->with(['branchSearch' => $page->branchSearch->changed($this->given)]);
        if (PageDifference::between($page, $changed) === null) {
            throw new NothingToChange('page', "The branch of “{$page->name}” is set like this already.");
        }
        $workspace->pages->put($changed);
    }

    public function sentence(Outcome $outcome): string
    {
        return 'Changed '.self::inWords($this->given)." in the branch of {$outcome->page($this->page)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'set-branch-search', 'page' => $this->page, ...$this->given];
    }
}
