<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Workspace\Workspace;

/** Makes of a page a page, section, pointer or download. Its content stays, in case it is a page again. */
final readonly class ChangeKind implements NamesFiles, RequestedChange
{
    use HasShape;

    public function __construct(public string $page, public PageKind $to, public ?Target $leadsTo = null)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('change-kind', Subject::Pages, Field::choice('to', PageKind::class), Field::target()->optional());
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->requiredChoice('to', PageKind::class), $input->target());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        if ($workspace->isStartPage($page->id) && $this->to !== PageKind::Page) {
            throw new InputRefused(
                'to',
                "“{$page->name}” is the start page, which shows content of its own. Make another page the start page first.",
            );
        }
        $this->guardTarget($page, $workspace);
        $workspace->pages->put(
            $page->with(['kind' => $this->to, 'leadsTo' => $this->leadsTo, 'leftOut' => $page->leftOut && $this->to === PageKind::Section]),
        );
    }

    public function pagesNamed(): array
    {
        return [$this->page, ...$this->leadsTo?->kind === TargetKind::Page ? [$this->leadsTo->value] : []];
    }

    public function filesNamed(): array
    {
        return $this->leadsTo?->kind === TargetKind::File ? ['leadsTo' => $this->leadsTo->value] : [];
    }

    public function sentence(Outcome $outcome): string
    {
        return "Made {$outcome->page($this->page)} a {$this->to->value}";
    }

    public function toArray(): array
    {
        return ['kind' => 'change-kind', 'page' => $this->page, 'to' => $this->to->value] +
            ($this->leadsTo === null ? [] : ['leadsTo' => $this->leadsTo->toArray()]);
    }

    private function guardTarget(Page $page, Workspace $workspace): void
    {
        match ($this->to) {
            PageKind::Page, PageKind::Section => $this->leadsTo === null ?:
            throw new InputRefused('leadsTo', "A {$this->to->value} leads nowhere else. Only pointers and downloads do."),
            PageKind::Download => $this->leadsTo?->kind === TargetKind::File ?:
            throw new InputRefused('leadsTo', 'A download needs the file that it serves.'),
            PageKind::Pointer => $this->leadsTo !== null ?:
            throw new InputRefused('leadsTo', 'A pointer needs a page, an address, a URL or a file to lead to.'),
        };
        // The way on from the target must not come back here.
        for ($target = $this->leadsTo, $steps = []; $target?->kind === TargetKind::Page;) {
            $next = $workspace->pages->page($target->value, 'leadsTo');
            if ($next->id === $page->id || isset($steps[$next->id])) {
                throw new InputRefused('leadsTo', "“{$page->name}” would lead back to itself. Choose a page that does not point here.");
            }
            $steps[$next->id] = true;
            $target = $next->kind === PageKind::Pointer ? $next->leadsTo : null;
        }
    }
}
