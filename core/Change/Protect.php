<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Authority;
use Heronstem\Core\Workspace\Workspace;

/** Protects a page, so that nobody but the owner of the site retires it; or lets it go again. */
final readonly class Protect implements Change
{
    use NamesItsPage;

    private function __construct(public string $page, private bool $kept)
    {
    }

    public static function of(string $page): self
    {
        return new self($page, true);
    }

    public static function undone(string $page): self
    {
        return new self($page, false);
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->page($this->page);
        if ($workspace->site->authority !== Authority::Owner) {
            throw new InputRefused('page', 'Only the owner of the site says which pages are kept. Ask them.');
        }
        if ($page->kept === $this->kept) {
            throw new NothingToChange('page', "“{$page->name}” is ".($this->kept ? '' : 'not ').'kept already.');
        }
        $workspace->put($page->with(['kept' => $this->kept]));
    }

    public function toArray(): array
    {
        return ['kind' => $this->kept ? 'keep' : 'let-go', 'page' => $this->page];
    }
}
