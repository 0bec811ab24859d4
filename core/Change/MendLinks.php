<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Workspace\Workspace;

/**
 * Turns links of contents that are written as addresses into links to the pages they lead to, straight or by a permanent
 * redirect: of some pages, or of all. They follow wherever the page moves from then on. A version of the content keeps what was.
 */
final readonly class MendLinks implements RequestedChange
{
    use HasShape;

    /** @param  list<string>|null  $in  pages in whose content they stand; null for all */
    public function __construct(private ?array $in = null)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'mend-links',
            Subject::Whole,
            Field::list('in', ['type' => 'string', 'description' => 'page in whose content they stand'])->orNull()->optional(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        return new self(($input->only(['in'])['in'] ?? null) === null ? null : $input->identities('in'));
    }

    public function on(Workspace $workspace): void
    {
        foreach ($this->in ?? [] as $i => $page) {
            $workspace->pages->page($page, "in.$i");
        }
        $workspace->mendLinks($this->in);
    }

    public function pagesNamed(): array
    {
        return $this->in ?? [];
    }

    public function sentence(Outcome $outcome): string
    {
        return $this->in !== null && count($this->in) === 1
            ? "Turned links of {$outcome->page($this->in[0])} into links to pages"
            : 'Turned links that were written as addresses into links to pages';
    }

    public function toArray(): array
    {
        return ['kind' => 'mend-links', ...$this->in === null ? [] : ['in' => $this->in]];
    }
}
