<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\TrailingSlash;
use Heronstem\Core\Workspace\Workspace;

/** Decides how the site's addresses are written. Every address follows, and the one before goes on answering. */
final readonly class SetAddressRules implements RequestedChange, StandsAlone
{
    use HasShape;

    public function __construct(
        private ?TrailingSlash $trailingSlash = null,
        private ?string $suffix = null,
        private ?bool $caseSensitive = null,
        private ?bool $nativeLetters = null,
    ) {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'set-address-rules',
            Subject::Whole,
            Field::choice('trailingSlash', TrailingSlash::class)->optional(),
            Field::text('suffix', 'what every address but those of files ends in, a dot and up to eight letters; empty for nothing')->optional(),
            Field::flag('caseSensitive', 'whether capitals make another address')->optional(),
            Field::flag('nativeLetters', 'whether slugs made from names keep letters beyond ASCII')->optional(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        return new self(
            $input->has('trailingSlash') ? $input->requiredChoice('trailingSlash', TrailingSlash::class) : null,
            $input->has('suffix') ? $input->text('suffix') : null,
            $input->flag('caseSensitive'),
            $input->flag('nativeLetters'),
        );
    }

    public function on(Workspace $workspace): void
    {
        $now = $workspace->rules();
        $set = new AddressRules(
            $this->trailingSlash ?? $now->trailingSlash,
            $this->suffix ?? $now->suffix,
            $this->caseSensitive ?? $now->caseSensitive,
            $now->language,
            $this->nativeLetters ?? $now->nativeLetters,
        );
        if ($set->toArray() === $now->toArray()) {
            throw new NothingToChange('trailingSlash', 'Addresses are written like this already.');
        }
        $workspace->setRules($set);
    }

    public function pagesNamed(): array
    {
        return [];
    }

    public function sentence(Outcome $outcome): string
    {
        $said = array_filter([
            match ($this->trailingSlash) {
                TrailingSlash::Always => 'with a slash at the end',
                TrailingSlash::Never => 'without a slash at the end',
                null => null,
            },
            match ($this->suffix) {
                null => null,
                '' => 'without an ending',
                default => "ending in {$this->suffix}",
            },
            $this->caseSensitive === null ? null : ($this->caseSensitive ? 'capitals count' : 'capitals do not count'),
            $this->nativeLetters === null ? null : ($this->nativeLetters ? 'letters of the language kept' : 'letters without marks'),
        ]);

        return 'Changed how addresses are written: '.implode(', ', $said);
    }

    public function toArray(): array
    {
        return [
            'kind' => 'set-address-rules',
            ...$this->trailingSlash === null ? [] : ['trailingSlash' => $this->trailingSlash->value],
            ...$this->suffix === null ? [] : ['suffix' => $this->suffix],
            ...$this->caseSensitive === null ? [] : ['caseSensitive' => $this->caseSensitive],
            ...$this->nativeLetters === null ? [] : ['nativeLetters' => $this->nativeLetters],
        ];
    }
}
