<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Http\InvalidInput;

/** A request's body as JSON (RFC 8259): one object, well-formed, of bounded size and depth. */
final class JsonBody
{
    /** Bytes; lists of redirects and old addresses are the largest that anybody sends. */
    public const MAX_BYTES = 40_000_000;

    private const MAX_DEPTH = 64;

    /** Values in one body: each takes memory, however short it is written. */
    private const MAX_VALUES = 1_500_000;

    /**
     * @return array<mixed>
     *
     * @throws InvalidInput
     */
    public static function decode(string $body): array
    {
        if (trim($body) === '') {
            return [];
        }
        if (strlen($body) > self::MAX_BYTES || ! self::isOfBoundedSize($body)) {
            throw new InvalidInput(413, 'body', 'This is more than is taken at once. Send it in several pieces.');
        }
        try {
            $decoded = json_decode($body, true, self::MAX_DEPTH, JSON_THROW_ON_ERROR);
        } catch (\JsonException $error) {
            throw new InvalidInput(
                400,
                'body',
                match ($error->getCode()) {
                    JSON_ERROR_DEPTH => sprintf('The body is nested more than %d levels deep.', self::MAX_DEPTH),
                    JSON_ERROR_UTF8, JSON_ERROR_UTF16 => 'The body is not valid UTF-8. Send it in that encoding.',
                    default => 'The body is not well-formed JSON. Nothing was changed; check it and send it again.',
                },
            );
        }
        if (! is_array($decoded) || ($decoded !== [] && array_is_list($decoded))) {
            throw new InvalidInput(400, 'body', 'The body has to be one JSON object, like {"changes": […]}.');
        }
        self::guardNumbers($body, $decoded);

        return $decoded;
    }

    /**
     * JSON has numbers of any size; what is too large to be computed with would be infinity from here on, which no JSON can say again.
     *
     * @param  array<mixed>  $decoded
     *
     * @throws InvalidInput
     */
    private static function guardNumbers(string $body, array $decoded): void
    {
        // Looked for only where a number could be that large at all.
        if (preg_match('/\d[eE]\+?\d|\d{309}/', $body) !== 1) {
            return;
        }
        array_walk_recursive($decoded, static function (mixed $value, int|string $field): void {
            if (is_float($value) && is_infinite($value)) {
                throw new InvalidInput(400, is_string($field) ? $field : 'body', 'This number is too large.');
            }
        });
    }

    /** Counts what stands outside of texts; cost: one look at each sign. */
    private static function isOfBoundedSize(string $body): bool
    {
        $length = strlen($body);
        $values = 0;
        for ($at = strcspn($body, '"[{,'); $at < $length; $at += strcspn($body, '"[{,', $at)) {
            if ($body[$at++] !== '"') {
                if (++$values > self::MAX_VALUES) {
                    return false;
                }

                continue;
            }
            for ($at += strcspn($body, '"\\', $at); $at < $length && $body[$at] === '\\'; $at += strcspn($body, '"\\', $at)) {
                $at += 2;
                if ($at >= $length) {
                    return true; // cut off: no JSON
                }
            }
            $at++;
        }

        return true;
    }
}
