<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Workspace;

/** Puts the edits of a live page, its saved words and prepared texts, before visitors. */
final readonly class Publish implements Change
{
    use NamesItsPage;

    public function __construct(public string $page)
    {
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->page($this->page);
        if (! $page->isLive()) {
            throw new InputRefused('page', "“{$page->name}” is not live. Put it live; its words go along.");
        }
        if (! $page->hasEdits()) {
            throw new NothingToChange('page', "Visitors already get everything that was saved of “{$page->name}”.");
        }
        $workspace->put($page->published());
    }

    public function toArray(): array
    {
        return ['kind' => 'publish', 'page' => $this->page];
    }
}
