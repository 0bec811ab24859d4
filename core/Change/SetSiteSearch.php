<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Search\SiteSearchDifference;
use Heronstem\Core\Workspace\Workspace;

/** Sets what all pages of the site, or all of one layout, tell search engines where nothing nearer says it. */
final readonly class SetSiteSearch implements RequestedChange
{
    use HasShape, SearchDefaultFields;

    /** @param  array<string, mixed>  $given  by field */
    public function __construct(private array $given, private ?string $layout = null)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'set-site-search',
            Subject::Whole,
            Field::text('layout', 'for pages of this layout; null for all')->orNull()->optional(),
            ...self::defaultFields(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        return new self(self::readDefaults($input), $input->textOrNull('layout'));
    }

    public function on(Workspace $workspace): void
    {
        if ($this->layout !== null) {
            $workspace->site->layouts->guard($this->layout);
        }
        $changed = $workspace->search()->withDefaults($this->given, $this->layout);
        if (SiteSearchDifference::between($workspace->search(), $changed) === null) {
            throw new NothingToChange('titlePattern', 'The site is set like this already.');
        }
        $workspace->setSearch($changed);
    }

    public function pagesNamed(): array
    {
        return [];
    }

    public function sentence(Outcome $outcome): string
    {
        return 'Changed '.self::inWords($this->given).($this->layout === null ? ' of the site' : " of the layout {$this->layout}");
    }

    public function toArray(): array
    {
        return ['kind' => 'set-site-search', ...$this->layout === null ? [] : ['layout' => $this->layout], ...$this->given];
    }
}
