<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Moment;
use Heronstem\Core\Values;

/** A redirect rule, as somebody set it. */
final readonly class Rule
{
    /** Longest note, in characters. */
    public const MAX_NOTE_LENGTH = 500;

    /**
     * @param  string  $source  an address in normal form, or a URLPattern pathname
     * @param  string  $key  by which sources are compared
     * @param  string  $matched  of a rule that looks at the query: the parameters, as in a URL, names in order
     * @param  Target|null  $target  null for one that answers 410; an address or URL may carry query, fragment and, of a pattern, captures as `:name`
     * @param  bool  $carriesRest  of a branch: the rest of the path goes to the end of the target
     * @param  bool  $inFront  answers even where a page or something else holds the address
     * @param  int  $position  among patterns: the lower is tried first
     * @param  string  $origin  `hand`, `change` or `import` with what it came from
     */
    public function __construct(
        public string $id,
        public RuleScope $scope,
        public string $source,
        public string $key,
        public RuleAnswer $answer,
        public ?Target $target = null,
        public QueryHandling $query = QueryHandling::Carry,
        public string $matched = '',
        public bool $carriesRest = true,
        public ?Moment $from = null,
        public ?Moment $until = null,
        public bool $isOn = true,
        public bool $inFront = false,
        public int $position = 0,
        public string $note = '',
        public ?Pause $pause = null,
        public string $origin = 'hand',
    ) {
    }

    /** Whether it takes its address in the ledger, where nobody else can be then. */
    public function claims(): bool
    {
        return $this->scope === RuleScope::One && ! $this->inFront && $this->query !== QueryHandling::Match;
    }

    public function isActiveAt(Moment $at): bool
    {
        return $this->isOn && ($this->from === null || ! $this->from->isAfter($at)) && ! $this->isOverAt($at);
    }

    public function isOverAt(Moment $at): bool
    {
        return $this->until !== null && ! $this->until->isAfter($at);
    }

    /** Whether it answers whenever and whatever is asked: what can be counted on when chains are straightened. */
    public function isUnconditional(): bool
    {
        return $this->isOn && $this->from === null && $this->until === null && $this->query !== QueryHandling::Match;
    }

    /** The same rule, on at all times: what is asked is whether visitors could ever go round. */
    public function always(): self
    {
        return $this->isOn && $this->from === null && $this->until === null ? $this : $this->with(['isOn' => true, 'from' => null, 'until' => null]);
    }

    /** The same rule, its source as addresses are written by these rules. Patterns see paths without an ending anyway. */
    public function writtenBy(AddressRules $rules): self
    {
        if ($this->scope === RuleScope::Pattern) {
            return $this;
        }
        $source = NormalForm::of($this->source, $rules);

        return $this->with(['source' => $source, 'key' => NormalForm::key($source, $rules)]);
    }

    /** The order in which patterns are tried. */
    public static function inOrder(self $a, self $b): int
    {
        return $a->position <=> $b->position ?: strcmp($a->id, $b->id);
    }

    /** A request that it answers: its address, or a path that its pattern matches, with the query that it looks at. */
    public function sample(): string
    {
        return ($this->scope === RuleScope::Pattern ? PathPattern::stored($this->source)->sample : $this->source).$this->asked();
    }

    /** @return non-empty-list<string> requests that it answers: of a branch also one below its address */
    public function samples(): array
    {
        return [$this->sample(), ...$this->scope === RuleScope::Branch ? [$this->sampleBelow()] : []];
    }

    /** A request below the address of a branch. */
    public function sampleBelow(): string
    {
        return rtrim($this->source, '/').'/x-y-z'.$this->asked();
    }

    /** The query that it looks at, with its question mark. */
    private function asked(): string
    {
        return $this->matched === '' ? '' : "?{$this->matched}";
    }

    /** @param  array<string, mixed>  $fields fields under their constructor names */
    public function with(array $fields): self
    {
        return new self(...[...Values::of($this), ...$fields]);
    }

    /** What no two rules of a site have in common. */
    public function identity(): string
    {
        return $this->scope->value.
            ' '.
            $this->key.
            ($this->query === QueryHandling::Match ? '?'.$this->matched : '').
            ($this->inFront ? ' in front' : '');
    }

    /** @return array<string, mixed> every field, as the history and the compiled rules keep it */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'scope' => $this->scope->value,
            'source' => $this->source,
            'key' => $this->key,
            'answer' => $this->answer->value,
            'target' => $this->target?->toText(),
            'query' => $this->query->value,
            'matched' => $this->matched,
            'carriesRest' => $this->carriesRest,
            'from' => $this->from?->iso(),
            'until' => $this->until?->iso(),
            'isOn' => $this->isOn,
            'inFront' => $this->inFront,
            'position' => $this->position,
            'note' => $this->note,
            'pause' => $this->pause?->toArray(),
            'origin' => $this->origin,
        ];
    }

    /** @param  array<string, mixed>  $kept as toArray gave it */
    public static function fromArray(array $kept): self
    {
        return new self(
            $kept['id'],
            RuleScope::from($kept['scope']),
            $kept['source'],
            $kept['key'],
            RuleAnswer::from($kept['answer']),
            $kept['target'] === null ? null : Target::stored($kept['target']),
            QueryHandling::from($kept['query']),
            $kept['matched'],
            $kept['carriesRest'],
            $kept['from'] === null ? null : Moment::stored($kept['from']),
            $kept['until'] === null ? null : Moment::stored($kept['until']),
            $kept['isOn'],
            $kept['inFront'],
            $kept['position'],
            $kept['note'],
            $kept['pause'] === null ? null : Pause::fromArray($kept['pause']),
            $kept['origin'],
        );
    }
}
