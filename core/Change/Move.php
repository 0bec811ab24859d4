<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Place;
use Heronstem\Core\Workspace\Workspace;

/** Puts a page, with everything below it, elsewhere in the tree. */
final readonly class Move implements RequestedChange
{
    use HasShape;

    public function __construct(public string $page, public Place $place)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('move', Subject::Branches, Field::place());
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->previous === null ? $input->place() : Place::after($input->previous));
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        if ($this->place->page === $page->id) {
            throw new InputRefused('place', "“{$page->name}” cannot be placed beside or inside itself.");
        }
        $parent = $this->place->parentIn($workspace);
        if ($parent !== null) {
            $target = $workspace->pages->page($parent, 'place');
            foreach ([$target, ...$workspace->pages->ancestors($target)] as $above) {
                if ($above->id === $page->id) {
                    throw new InputRefused(
                        'place',
                        "“{$target->name}” lies inside “{$page->name}”, so “{$page->name}” cannot go there. Move “{$target->name}” out first.",
                    );
                }
            }
        }
        $position = $this->place->positionIn($workspace, $page->id);
        $workspace->pages->put($page->placed($parent, $position));
    }

    public function pagesNamed(): array
    {
        return array_values(array_filter([$this->page, $this->place->page]));
    }

    public function sentence(Outcome $outcome): string
    {
        $parent = $outcome->parentOf($this->page);
        $stays = $outcome->keepsParent($this->page);
        $where = match (true) {
            $parent === null => $stays ? 'at the top' : 'to the top',
            default => ($stays ? 'within ' : 'under ').$parent,
        };

        return "Moved {$outcome->page($this->page)} $where";
    }

    public function toArray(): array
    {
        return ['kind' => 'move', 'page' => $this->page, 'place' => $this->place->toArray()];
    }
}
