<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;

/**
 * What a page says of itself besides its content: heading and summary on the page, title and description in search results and on
 * social cards, and what stands in the fields of its layout.
 */
final readonly class PageTexts
{
    use SharesBlank;

    /** Those that are texts, with their greatest lengths in characters. */
    public const MAX_LENGTHS = [
        'heading' => 300,
        'summary' => 2000,
        'searchTitle' => 300,
        'searchDescription' => 1000,
        'socialTitle' => 300,
        'socialDescription' => 1000,
    ];

    /** @param  string|null  $heading  null while it follows the page's name */
    public function __construct(
        public ?string $heading = null,
        public string $summary = '',
        public string $searchTitle = '',
        public string $searchDescription = '',
        public string $socialTitle = '',
        public string $socialDescription = '',
        public FieldValues $fields = new FieldValues(),
    ) {
    }

    /**
     * These texts with those given, white space folded; a heading that is blank or the page's name follows the name.
     *
     * @param  array<string, string|null>  $given  by the names of MAX_LENGTHS
     *
     * @throws InputRefused naming the field that is too long
     */
    public function changed(array $given, string $name): self
    {
        $texts = get_object_vars($this);
        foreach (array_intersect_key($given, self::MAX_LENGTHS) as $field => $text) {
            $folded = OneLine::of((string) $text);
            if (mb_strlen($folded) > self::MAX_LENGTHS[$field]) {
                throw new InputRefused(
                    $field,
                    sprintf('At most %d characters fit here; these are %d.', self::MAX_LENGTHS[$field], mb_strlen($folded)),
                );
            }
            $texts[$field] = $field === 'heading' && ($folded === '' || $folded === $name) ? null : $folded;
        }

        return new self(...$texts);
    }

    public function withFields(FieldValues $fields): self
    {
        return new self(...[...get_object_vars($this), 'fields' => $fields]);
    }

    public function equals(self $other): bool
    {
        return $this->toArray() === $other->toArray();
    }

    /** @return array{heading: string|null, summary: string, searchTitle: string, searchDescription: string, socialTitle: string, socialDescription: string, fields: string} */
    public function toArray(): array
    {
        return [
            'heading' => $this->heading,
            'summary' => $this->summary,
            'searchTitle' => $this->searchTitle,
            'searchDescription' => $this->searchDescription,
            'socialTitle' => $this->socialTitle,
            'socialDescription' => $this->socialDescription,
            'fields' => $this->fields->toText(),
        ];
    }

    /** @param  array<string, mixed>  $kept  as toArray() gave it; what is missing is blank */
    public static function fromArray(array $kept): self
    {
        if (array_diff(array_intersect_key($kept, self::MAX_LENGTHS), ['']) === [] && Stored::isBlank((string) ($kept['fields'] ?? ''))) {
            return self::blank();
        }
        $text = static fn (string $field): string => is_string($kept[$field] ?? null) ? $kept[$field] : '';

        return new self(
            is_string($kept['heading'] ?? null) ? $kept['heading'] : null,
            $text('summary'),
            $text('searchTitle'),
            $text('searchDescription'),
            $text('socialTitle'),
            $text('socialDescription'),
            FieldValues::stored($text('fields')),
        );
    }

    /** As one text, and read again. */
    public function toText(): string
    {
        return json_encode($this->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    public static function stored(string $text): self
    {
        $kept = json_decode($text, true, 4, JSON_THROW_ON_ERROR);

        return self::fromArray(is_array($kept) ? $kept : []);
    }
}
