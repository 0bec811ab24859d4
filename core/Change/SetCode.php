<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Content\Code\HeadLines;
use Heronstem\Core\Content\Code\ScopedStyles;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Code;
use Heronstem\Core\Workspace\Workspace;

/** Writes styles and lines of the head for one page. Only the owner of the site does. */
final readonly class SetCode implements RequestedChange
{
    use HasShape, NamesItsPage;

    /** @param  array<string, string>  $given  styles and head, those that are set */
    public function __construct(public string $page, private array $given)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'set-code',
            Subject::Page,
            Field::text('styles', 'CSS, held to what is in the page; empty for none')->optional(),
            Field::text('head', 'meta, link, JSON-LD and script; empty for none')->optional(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        $given = $input->only(['styles', 'head']);
        foreach ($given as $field => $text) {
            if (! is_string($text)) {
                throw new InputRefused($field, 'This is a text; empty for none.');
            }
        }
        /** @var array<string, string> $given */
        if ($given === []) {
            throw new InputRefused('page', 'Say what is set: styles or head.');
        }

        return new self($input->page(), $given);
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        $code = new Code($this->given['styles'] ?? $page->code->styles, $this->given['head'] ?? $page->code->head);
        ScopedStyles::of($code->styles);
        HeadLines::of($code->head);
        if ($code->toText() === $page->code->toText()) {
            throw new NothingToChange('page', "“{$page->name}” has this code already.");
        }
        $workspace->pages->put($page->with(['code' => $code]));
    }

    public function sentence(Outcome $outcome): string
    {
        $called = array_intersect_key(['styles' => 'styles', 'head' => 'head code'], $this->given);

        return 'Changed '.implode(' and ', $called)." of {$outcome->page($this->page)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'set-code', 'page' => $this->page, ...$this->given];
    }
}
