<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Moment;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\Workspace;

/** Sets when a page goes live and when it goes offline again; null for either lets it be. */
final readonly class Schedule implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page, public ?Moment $from, public ?Moment $until)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('schedule', Subject::Pages, Field::moment('from')->optional(), Field::moment('until')->optional());
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->moment('from'), $input->moment('until'));
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        if ($this->from !== null) {
            $this->guardBeginning($page, $this->from, $workspace->now());
        }
        if ($this->until !== null) {
            $this->guardEnd($page, $this->until, $workspace->now());
        }
        $workspace->pages->put($page->with(['from' => $this->from, 'until' => $this->until]));
    }

    public function sentence(Outcome $outcome): string
    {
        return ($this->from === null && $this->until === null ? 'Cleared the schedule of ' : 'Scheduled ').$outcome->page($this->page);
    }

    public function toArray(): array
    {
        return ['kind' => 'schedule', 'page' => $this->page, 'from' => $this->from?->iso(), 'until' => $this->until?->iso()];
    }

    private function guardBeginning(Page $page, Moment $from, Moment $now): void
    {
        if ($page->isLive()) {
            throw new InputRefused('from', "“{$page->name}” is live already. Set only its end, or take it offline first.");
        }
        if (! $from->isAfter($now)) {
            throw new InputRefused('from', 'This moment has passed. Put the page live now, or choose a later one.');
        }
    }

    private function guardEnd(Page $page, Moment $until, Moment $now): void
    {
        if (! $until->isAfter($now)) {
            throw new InputRefused('until', 'This moment has passed. Take the page offline now, or choose a later one.');
        }
        if ($this->from !== null && ! $until->isAfter($this->from)) {
            throw new InputRefused('until', 'The end comes before the beginning. Choose an end after it.');
        }
        if ($this->from === null && ! $page->isLive()) {
            throw new InputRefused('from', "“{$page->name}” is not live, so an end alone means nothing. Say from when, or put it live.");
        }
    }
}
