<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Content\Code\HeadLines;
use Heronstem\Core\Workspace\Workspace;

/** Writes lines into the head of every page of the site. Only its owner does. */
final readonly class SetSiteHead implements RequestedChange
{
    use HasShape;

    public function __construct(private string $head)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('set-site-head', Subject::Whole, Field::text('head', 'meta, link, JSON-LD and script; empty for none'));
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->text('head'));
    }

    public function on(Workspace $workspace): void
    {
        HeadLines::of($this->head);
        if ($workspace->search()->head === $this->head) {
            throw new NothingToChange('head', 'These are the lines already.');
        }
        $workspace->setSearch($workspace->search()->withHead($this->head));
    }

    public function pagesNamed(): array
    {
        return [];
    }

    public function sentence(Outcome $outcome): string
    {
        return 'Changed the head code of all pages';
    }

    public function toArray(): array
    {
        return ['kind' => 'set-site-head', 'head' => $this->head];
    }
}
