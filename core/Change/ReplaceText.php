<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\SlugMaker;
use Heronstem\Core\Content\Replace\Part;
use Heronstem\Core\Content\Replace\Replacement;
use Heronstem\Core\Content\Replace\Way;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\Workspace;

/**
 * Replaces a text wherever it stands: in names, headings, summaries, content, search texts, fields and labels of menus; what
 * visitors get and what waits to be published. Contents are too many to be known here: whoever keeps them works out what is found
 * and how every page is afterwards, and tells it by `with()` before the change is made.
 */
final readonly class ReplaceText implements RequestedChange
{
    use HasShape;

    /** Most places that can be left as they are. */
    private const MAX_SKIPPED = 5000;

    /**
     * @param  list<Part>  $parts
     * @param  string|null  $branch  page in whose branch it is looked for; null for the whole site
     * @param  list<string>|null  $pages  or pages by themselves
     * @param  array<string, true>  $skip  keys of places that stay as they are
     * @param  list<ReplacedPage>|null  $replaced  null until it has been worked out
     * @param  list<ReplacedMenu>  $menus
     */
    private function __construct(
        public string $find,
        public string $with,
        public Way $way,
        public bool $matchCase,
        public array $parts,
        public ?string $branch,
        public ?array $pages,
        public array $skip,
        public ?array $replaced = null,
        private array $menus = [],
    ) {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'replace-text',
            Subject::Whole,
            Field::text('find'),
            Field::text('with', 'may name groups of a pattern as $1')->optional(),
            Field::choice('way', Way::class)->optional(),
            Field::flag('matchCase', 'capitals are told apart')->optional(),
            Field::list('parts', ['type' => 'string', 'enum' => array_column(Part::cases(), 'value')])->optional(),
            Field::identity('branch', 'page in whose branch it is looked for')->orNull()->optional(),
            Field::list('in', ['type' => 'string', 'description' => 'page that is looked through'])
                ->orNull()
                ->optional(),
            Field::list('skip', ['type' => 'string', 'description' => 'key of a place that stays as it is'])->optional(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        $way = Way::tryFrom($input->textOrNull('way') ?? 'plain') ?? throw new InputRefused('way', 'This is plain, words or pattern.');
        $given = $input->only(['parts', 'skip', 'in']);
        $parts = [];
        foreach (is_array($given['parts'] ?? null) ? $given['parts'] : array_column(Part::cases(), 'value') as $i => $part) {
            $parts[] =
                (is_string($part) ? Part::tryFrom($part) : null) ??
                throw new InputRefused("parts.$i", 'This is one of '.implode(', ', array_column(Part::cases(), 'value')).'.');
        }
        $skip = is_array($given['skip'] ?? null) ? $given['skip'] : [];
        if (count($skip) > self::MAX_SKIPPED || array_filter($skip, is_string(...)) !== $skip) {
            throw new InputRefused('skip', 'These are keys of places, at most '.self::MAX_SKIPPED.'.');
        }
        $change = new self(
            $input->text('find'),
            $input->text('with'),
            $way,
            $input->flag('matchCase') ?? false,
            $parts,
            $input->textOrNull('branch') === null ? null : $input->identity('branch'),
            ($given['in'] ?? null) === null ? null : $input->identities('in'),
            array_fill_keys($skip, true),
        );
        $change->replacement();

        return $change;
    }

    /** @throws InputRefused naming `find` or `with` */
    public function replacement(): Replacement
    {
        return Replacement::of($this->find, $this->with, $this->way, $this->matchCase);
    }

    /**
     * With what was found, as it is afterwards.
     *
     * @param  list<ReplacedPage>  $replaced  those that change
     * @param  list<ReplacedMenu>  $menus  likewise
     */
    public function with(array $replaced, array $menus): self
    {
        return new self(...[...get_object_vars($this), 'replaced' => $replaced, 'menus' => $menus]);
    }

    public function on(Workspace $workspace): void
    {
        if ($this->branch !== null) {
            $workspace->pages->page($this->branch, 'branch');
        }
        foreach ($this->replaced ?? throw new \LogicException('What is replaced has not been worked out.') as $page) {
            $workspace->pages->put($this->replacedIn($workspace->pages->page($page->page->id), $page, $workspace));
        }
        foreach ($this->menus as $menu) {
            $workspace->menus->put($menu->menu);
        }
        if ($this->replaced === [] && $this->menus === []) {
            throw new NothingToChange('find', "“{$this->find}” stands nowhere there.");
        }
    }

    public function pagesNamed(): array
    {
        return [
            ...$this->branch === null ? [] : [$this->branch],
            ...array_map(static fn (ReplacedPage $page): string => $page->page->id, $this->replaced ?? []),
        ];
    }

    public function sentence(Outcome $outcome): string
    {
        $places = 0;
        foreach ([...$this->replaced ?? [], ...$this->menus] as $each) {
            $places += count(array_filter($each->places, static fn (FoundPlace $place): bool => $place->isTaken));
        }
        $pages = count($this->replaced ?? []);

        return sprintf(
            'Replaced “%s” with “%s” %s%s',
            $this->find,
            $this->with,
            $places === 1 ? 'once' : "$places times",
            $pages === 0 ? ' in menus' : ($pages === 1 ? ' on one page' : " on $pages pages"),
        );
    }

    public function toArray(): array
    {
        return [
            'kind' => 'replace-text',
            'find' => $this->find,
            'with' => $this->with,
            'way' => $this->way->value,
            'matchCase' => $this->matchCase,
            'parts' => array_map(static fn (Part $part): string => $part->value, $this->parts),
            ...$this->branch === null ? [] : ['branch' => $this->branch],
            ...$this->pages === null ? [] : ['in' => $this->pages],
            ...$this->skip === [] ? [] : ['skip' => array_map(strval(...), array_keys($this->skip))],
        ];
    }

    private function replacedIn(Page $now, ReplacedPage $page, Workspace $workspace): Page
    {
        $set = ['texts' => $page->texts, 'prepared' => $page->prepared === null || $page->prepared->equals($page->texts) ? null : $page->prepared];
        if ($page->workingVersion !== null) {
            $set['contentSaved'] = $page->workingVersion;
        }
        if ($page->liveVersion !== null) {
            $set['contentLive'] = $page->liveVersion;
        }
        $now = $now->with($set);
        if ($page->name === null) {
            return $now;
        }
        $now = $now->named($page->name->text);

        // As a page that is renamed: until visitors know the address, it follows.
        return $now->everLive || $now->slugByHand ? $now : $now->withSlug((new SlugMaker($workspace->rules()))->make($now->name), false);
    }
}
