<?php

declare(strict_types=1);

namespace App\Desk\Design;

use Heronstem\Core\Content\Layout\FieldKind;
use Heronstem\Core\Content\Layout\FieldText;
use Heronstem\Core\Content\Layout\LayoutField;
use Heronstem\Core\Content\OfferedFile;

/** What templates of layouts show of the fields of a page, or of one row: values that fit, else what stands in for them. */
final readonly class ShownFields
{
    /** @var array<string, LayoutField> */
    private array $fields;

    /**
     * @param  list<LayoutField>  $fields
     * @param  array<string, mixed>  $values  by field
     */
    public function __construct(array $fields, private array $values, private FieldSources $sources)
    {
        $this->fields = array_column($fields, null, 'key');
    }

    public function has(string $key): bool
    {
        $field = $this->field($key);

        return match ($field->kind->value) {
            'page' => $this->page($key) !== null,
            'file' => $this->file($key) !== null,
            'picture' => $this->picture($key) !== null,
            'yes-no' => $this->value($key) === true,
            default => $this->value($key) !== null,
        };
    }

    /** @return list<LayoutField> those that say something, but for rows: the layout shows these in ways of its own */
    public function filled(): array
    {
        return array_values(array_filter($this->fields, fn (LayoutField $field): bool => $field->kind !== FieldKind::Rows && $this->has($field->key)));
    }

    /** The first picture in any of the fields, in those of rows too. */
    public function firstPicture(?float $proportions = null): ?ShownPicture
    {
        foreach ($this->fields as $field) {
            $values = $field->kind === FieldKind::Picture ? [$this->value($field->key)] : [];
            if ($field->kind === FieldKind::Rows) {
                foreach ($field->columns as $column) {
                    $values = $column->kind === FieldKind::Picture ? array_column((array) $this->value($field->key), $column->key) : $values;
                }
            }
            foreach (array_filter($values, is_array(...)) as $value) {
                $picture = ShownPicture::of($value, $proportions ?? $field->proportions(), $this->sources->files);
                if ($picture !== null) {
                    return $picture;
                }
            }
        }

        return null;
    }

    public function kind(string $key): string
    {
        return $this->field($key)->kind->value;
    }

    /** What the field is called. */
    public function label(string $key): string
    {
        return $this->field($key)->title;
    }

    /** As visitors read it; nothing where nothing is said. */
    public function show(string $key): string
    {
        return FieldText::of($this->field($key), $this->value($key), $this->sources->language);
    }

    /** Of a choice, what was chosen as it is kept; null where nothing was. */
    public function choice(string $key): ?string
    {
        $value = isset($this->fields[$key]) ? $this->value($key) : null;

        return is_string($value) ? $value : null;
    }

    /** @return list<string> the paragraphs of a long text */
    public function paragraphs(string $key): array
    {
        return array_values(array_filter(preg_split('/\n\s*\n/', $this->show($key)) ?: []));
    }

    /** @return list<self> */
    public function rows(string $key): array
    {
        $rows = $this->value($key);

        return array_map(
            fn (mixed $row): self => new self($this->field($key)->columns, is_array($row) ? $row : [], $this->sources),
            is_array($rows) ? array_values($rows) : [],
        );
    }

    /** @return list<LayoutField> those fields of rows in which any row says something */
    public function columns(string $key): array
    {
        $rows = $this->rows($key);

        return array_values(
            array_filter(
                $this->field($key)->columns,
                static fn (LayoutField $column): bool => array_filter($rows, static fn (self $row): bool => $row->has($column->key)) !== [],
            ),
        );
    }

    /** The sentence of the layout for rows that are empty. */
    public function none(string $key): string
    {
        return $this->field($key)->emptySentence();
    }

    /** @return array{name: string, address: string}|null while visitors see it */
    public function page(string $key): ?array
    {
        $value = $this->value($key);

        return is_array($value) ? $this->sources->page((string) ($value['page'] ?? '')) : null;
    }

    public function file(string $key): ?OfferedFile
    {
        $value = $this->value($key);

        return is_array($value) ? $this->sources->files->file((string) ($value['file'] ?? '')) : null;
    }

    public function picture(string $key): ?ShownPicture
    {
        $value = $this->value($key);

        return is_array($value) ? ShownPicture::of($value, $this->field($key)->proportions(), $this->sources->files) : null;
    }

    private function value(string $key): mixed
    {
        return $this->values[$this->field($key)->key] ?? $this->field($key)->fallback();
    }

    private function field(string $key): LayoutField
    {
        return $this->fields[$key] ??
            throw new \LogicException("The layout has no field “{$key}”. It has ".implode(', ', array_keys($this->fields)).'.');
    }
}
