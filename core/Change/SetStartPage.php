<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\StartAudience;
use Heronstem\Core\Workspace\Workspace;

/**
 * Puts a page at `/`. For visitors that is its address, and its slug waits for the day it no longer is the start page;
 * signed-in people get theirs there while it keeps its address. Theirs is the visitors' where that is named again.
 */
final readonly class SetStartPage implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page, public StartAudience $for = StartAudience::Visitors)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('set-start-page', Subject::Page, Field::choice('for', StartAudience::class)->optional());
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->choice('for', StartAudience::Visitors));
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        $now = $this->for === StartAudience::Visitors ? $workspace->startPage() : $workspace->startPageSignedIn() ?? $workspace->startPage();
        if ($now === $page->id) {
            throw new NothingToChange('page', "“{$page->name}” is the start page already.");
        }
        if (! $page->isLive() || $page->kind !== PageKind::Page) {
            throw new InputRefused(
                'page',
                $page->isLive()
                    ? "“{$page->name}” is a {$page->kind->value}. The start page shows content; choose a page."
                    : "“{$page->name}” is not live, so visitors of / would get nothing. Put it live first.",
            );
        }
        if ($this->for === StartAudience::SignedIn) {
            $workspace->setStartPageSignedIn($page->id === $workspace->startPage() ? null : $page->id);

            return;
        }
        $former = $workspace->startPage() === null ? null : $workspace->pages->find($workspace->startPage());
        if ($former !== null) {
            $workspace->pages->put($former);
        }
        $workspace->setStartPage($page->id);
        if ($workspace->startPageSignedIn() === $page->id) {
            $workspace->setStartPageSignedIn(null);
        }
        $workspace->pages->put($page);
    }

    public function sentence(Outcome $outcome): string
    {
        return "Made {$outcome->page($this->page)} the start page".($this->for === StartAudience::SignedIn ? ' of signed-in people' : '');
    }

    public function toArray(): array
    {
        return ['kind' => 'set-start-page', 'page' => $this->page, 'for' => $this->for->value];
    }
}
