<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Workspace\Workspace;

/** Lists a page in menus, lists and the sitemap, or leaves it to be reached by its address only. */
final readonly class ListPage implements Change
{
    use NamesItsPage;

    private function __construct(public string $page, private bool $listed)
    {
    }

    public static function listed(string $page): self
    {
        return new self($page, true);
    }

    public static function unlisted(string $page): self
    {
        return new self($page, false);
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->page($this->page);
        if ($page->listed === $this->listed) {
            throw new NothingToChange('page', "“{$page->name}” is ".($this->listed ? 'listed' : 'unlisted').' already.');
        }
        $workspace->put($page->with(['listed' => $this->listed]));
    }

    public function toArray(): array
    {
        return ['kind' => $this->listed ? 'list' : 'unlist', 'page' => $this->page];
    }
}
