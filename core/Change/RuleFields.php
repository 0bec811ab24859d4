<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Redirect\QueryHandling;
use Heronstem\Core\Redirect\RuleAnswer;
use Heronstem\Core\Redirect\RuleScope;

/** The fields of a redirect rule that a change may set; RuleReader reads them. */
final class RuleFields
{
    /** @return list<Field> of a rule that is changed: each may be left as it is */
    public static function all(): array
    {
        return [
            Field::choice('scope', RuleScope::class)->optional(),
            Field::text('source', 'an address of this site, or a URLPattern pathname')->optional(),
            Field::choice('answer', RuleAnswer::class)->optional(),
            Field::target()->optional(),
            Field::choice('query', QueryHandling::class)->optional(),
            Field::flag('carriesRest', 'of a branch: what follows its address is carried over')->optional(),
            Field::moment('from')->optional(),
            Field::moment('until')->optional(),
            Field::flag('isOn')->optional(),
            Field::flag('inFront', 'answers before a page at the same address')->optional(),
            Field::text('note', 'why it exists')->optional(),
            Field::object('pause', ['seconds' => ['type' => 'integer'], 'message' => ['$ref' => '#/components/schemas/Document']])
                ->orNull()
                ->optional(),
        ];
    }

    /** @return list<Field> of a new one: it has to say what it answers for */
    public static function forNew(): array
    {
        return array_map(
            static fn (Field $field): Field => $field->name === 'source'
                ? Field::text('source', 'an address of this site, or a URLPattern pathname')
                : $field,
            self::all(),
        );
    }

    /** @return array<string, mixed> those that are given */
    public static function read(ChangeInput $input): array
    {
        $given = $input->only([...array_column(self::all(), 'name'), 'position']);

        return isset($given['source']) ? ['source' => $input->behindHost('source')] + $given : $given;
    }
}
