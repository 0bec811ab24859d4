<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Tags;
use Heronstem\Core\Workspace\Workspace;

/** Gives a page tags, and takes tags from it. */
final readonly class Tag implements RequestedChange
{
    use HasShape, NamesItsPage;

    /**
     * @param  list<string>  $add
     * @param  list<string>  $remove
     */
    public function __construct(public string $page, public array $add, public array $remove = [])
    {
    }

    public static function shape(): Shape
    {
        $tag = ['type' => 'string', 'maxLength' => Tags::LONGEST];

        return Shape::of('tag', Subject::Pages, Field::list('add', $tag)->optional(), Field::list('remove', $tag)->optional());
    }

    public static function read(ChangeInput $input): self
    {
        $change = new self($input->page(), self::tags($input, 'add'), self::tags($input, 'remove'));

        return $change->add === [] && $change->remove === [] ? throw new InputRefused('add', 'Say which tags to add or to remove.') : $change;
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        $tags = $page->tags->changed($this->add, $this->remove);
        if ($tags->all === $page->tags->all) {
            throw new NothingToChange('page', "“{$page->name}” has these tags already.");
        }
        $workspace->pages->put($page->with(['tags' => $tags]));
    }

    public function sentence(Outcome $outcome): string
    {
        $list = static fn (array $tags): string => implode(', ', array_map(static fn (string $tag): string => "“{$tag}”", $tags));
        $done = array_filter([
            $this->add === [] ? '' : "Tagged {$outcome->page($this->page)} with {$list($this->add)}",
            $this->remove === []
                ? ''
                : ($this->add === [] ? 'Removed' : 'removed').' the tag'.(count($this->remove) > 1 ? 's' : '')." {$list($this->remove)}",
        ]);

        return implode(' and ', $done).($this->add === [] ? " from {$outcome->page($this->page)}" : '');
    }

    public function toArray(): array
    {
        return ['kind' => 'tag', 'page' => $this->page] +
            ($this->add === [] ? [] : ['add' => $this->add]) +
            ($this->remove === [] ? [] : ['remove' => $this->remove]);
    }

    /** @return list<string> */
    private static function tags(ChangeInput $input, string $field): array
    {
        $tags = [];
        foreach ($input->texts($field) as $i => $text) {
            $tags[] = Tags::tag($text, "$field.$i");
        }

        return array_values(array_unique($tags));
    }
}
