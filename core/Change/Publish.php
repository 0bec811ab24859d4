<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Workspace;

/** Puts the edits of a live page, its saved content and prepared texts, before visitors. */
final readonly class Publish implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('publish', Subject::Pages);
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        if (! $page->isLive()) {
            throw new InputRefused('page', "“{$page->name}” is not live. Put it live; its content go along.");
        }
        if (! $page->hasEdits()) {
            throw new NothingToChange('page', "Visitors already get everything that was saved of “{$page->name}”.");
        }
        $workspace->pages->put($page->published());
    }

    public function sentence(Outcome $outcome): string
    {
        return "Published the edits of {$outcome->page($this->page)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'publish', 'page' => $this->page];
    }
}
