<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Layout;

/** What a field of a layout holds. Each is a schema of its own (JSON Schema 2020-12) that layouts refer to by its URN (RFC 8141). */
enum FieldKind: string
{
    case Text = 'text';
    case LongText = 'long-text';
    case Number = 'number';
    /** An amount in the currency that the layout says, as a decimal text, so that no cent is lost. */
    case Money = 'money';
    case Date = 'date';
    case Choice = 'choice';
    case YesNo = 'yes-no';
    case Page = 'page';
    case File = 'file';
    /** A file with its alternative text and, where it is cropped, the point that stays in sight (% from the left and top). */
    case Picture = 'picture';
    /** Any number of entries with fields of their own. */
    case Rows = 'rows';

    private const URN = 'urn:heronstem:field:';

    private const IDENTITY = ['type' => 'string', 'pattern' => '^[0-9A-HJKMNP-TV-Z]{26}$'];

    private const SHARE = ['type' => 'number', 'minimum' => 0, 'maximum' => 100];

    public function urn(): string
    {
        return self::URN.$this->value;
    }

    public static function ofUrn(mixed $urn): ?self
    {
        return is_string($urn) && str_starts_with($urn, self::URN) ? self::tryFrom(substr($urn, strlen(self::URN))) : null;
    }

    /** @return array<string, mixed> what every value of the kind is, whatever a layout asks besides */
    public function schema(): array
    {
        return match ($this) {
            self::Text => ['type' => 'string', 'minLength' => 1, 'maxLength' => 500],
            self::LongText => ['type' => 'string', 'minLength' => 1, 'maxLength' => 10_000],
            self::Number => ['type' => 'number'],
            self::Money => ['type' => 'string', 'pattern' => '^-?\d{1,12}(\.\d{1,3})?$'],
            self::Date => ['type' => 'string', 'format' => 'date'],
            self::Choice => ['type' => 'string'],
            self::YesNo => ['type' => 'boolean'],
            self::Page => self::objectOf(['page' => self::IDENTITY], ['page']),
            self::File => self::objectOf(['file' => self::IDENTITY], ['file']),
            self::Picture => self::objectOf(
                [
                    'file' => self::IDENTITY,
                    'alt' => ['type' => 'string', 'maxLength' => 500],
                    'focus' => self::objectOf(['x' => self::SHARE, 'y' => self::SHARE], ['x', 'y']),
                ],
                ['file'],
            ),
            self::Rows => ['type' => 'array', 'maxItems' => 500],
        };
    }

    /** @return list<string> keywords that a layout may use on a field of the kind, besides title, description and default */
    public function keywords(): array
    {
        return match ($this) {
            self::Text => ['minLength', 'maxLength', 'pattern'],
            self::LongText => ['minLength', 'maxLength'],
            self::Number => ['minimum', 'maximum', 'multipleOf', 'unit', 'grouping'],
            self::Money => ['currency'],
            self::Choice => ['oneOf'],
            self::Picture => ['minWidth', 'minHeight', 'proportions'],
            self::Rows => ['items', 'minItems', 'maxItems', 'empty', 'defines', 'reserved'],
            self::Date, self::YesNo, self::Page, self::File => [],
        };
    }

    /**
     * @param  array<string, array<string, mixed>>  $properties
     * @param  list<string>  $required
     * @return array<string, mixed>
     */
    private static function objectOf(array $properties, array $required): array
    {
        return ['type' => 'object', 'properties' => $properties, 'required' => $required, 'additionalProperties' => false];
    }
}
