<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\CanonicalKind;
use Heronstem\Core\Tree\ChangeFrequency;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Workspace\Workspace;

/**
 * Sets what a page tells search engines besides its texts: which address counts, whether they may list it and follow its
 * links, the sitemap, the picture of its card, what people would search for. Null inherits from branch, layout or site.
 */
final readonly class SetSearch implements RequestedChange
{
    use HasShape;

    /** @param  array<string, mixed>  $given  by field */
    public function __construct(public string $page, private array $given)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'set-search',
            Subject::Pages,
            Field::text('canonical', '`itself`, `none`, the identity of a page, or a whole http(s) URL')->optional(),
            Field::flag('index', 'whether search engines may list it; null to inherit')->orNull()->optional(),
            Field::flag('follow', 'whether they may follow its links; null to inherit')->orNull()->optional(),
            Field::flag('inSitemap', 'null to inherit')->orNull()->optional(),
            Field::number('priority', 'in the sitemap, 0.0 to 1.0; null to inherit')->orNull()->optional(),
            Field::choice('changeFrequency', ChangeFrequency::class)->orNull()->optional(),
            Field::text('socialPicture', 'identity of a file; null to inherit')->orNull()->optional(),
            Field::text('targetPhrase', 'what people would search for')->optional(),
            Field::flag('inSiteSearch', "whether the site's own search may show it; null to inherit")->orNull()->optional(),
            Field::text('siteSearchDescription', "what the site's own search says of it")->optional(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        $page = $input->page();
        $given = $input->only(array_keys(self::shape()->fields));
        if ($given === []) {
            throw new InputRefused('page', 'Say what is set: '.implode(', ', array_keys(self::shape()->fields)).'.');
        }

        return new self($page, $given);
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        $changed = $page->with(['search' => $page->search->changed($this->given)]);
        $canonical = $changed->search->canonical;
        if ($canonical->kind === CanonicalKind::Page) {
            if ($canonical->value === $page->id) {
                $changed = $page->with(['search' => $page->search->changed([...$this->given, 'canonical' => 'itself'])]);
            } else {
                $workspace->pages->page($canonical->value, 'canonical');
            }
        }
        if (PageDifference::between($page, $changed) === null) {
            throw new NothingToChange('page', "“{$page->name}” is set like this already.");
        }
        $workspace->pages->put($changed);
    }

    public function pagesNamed(): array
    {
        return [$this->page];
    }

    public function sentence(Outcome $outcome): string
    {
        $called = [
            'canonical' => 'canonical address',
            'index' => 'place in search engines',
            'follow' => 'following of links',
            'inSitemap' => 'place in the sitemap',
            'priority' => 'priority',
            'changeFrequency' => 'change frequency',
            'socialPicture' => 'social picture',
            'targetPhrase' => 'target phrase',
            'inSiteSearch' => "place in the site's own search",
            'siteSearchDescription' => "description for the site's own search",
        ];

        return 'Changed '.implode(', ', array_values(array_intersect_key($called, $this->given)))." of {$outcome->page($this->page)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'set-search', 'page' => $this->page, ...$this->given];
    }
}
