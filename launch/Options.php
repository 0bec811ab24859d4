<?php

declare(strict_types=1);

namespace Launch;

/** Options of a command line: `--name`, `--name N` or `--name=N`. */
final class Options
{
    /**
     * @param  list<string>  $words
     * @param  array<string, 'number'|'switch'>  $known
     * @return array<string, int|bool>
     */
    public static function read(array $words, array $known): array
    {
        $options = [];
        while ($words !== []) {
            $word = array_shift($words);
            [$name, $value] = [...explode('=', ltrim($word, '-'), 2), null];
            $kind = str_starts_with($word, '--') ? $known[$name] ?? null : null;
            if ($kind === null) {
                throw new Failed("There is no option \"$word\" here; known are --".implode(', --', array_keys($known)).'.');
            }
            if ($kind === 'switch') {
                $options[$name] = true;

                continue;
            }
            $value ??= array_shift($words);
            if ($value === null || ! ctype_digit($value) || (int) $value < 1) {
                throw new Failed("--$name takes a whole number, as in --$name 8080.");
            }
            if ($name === 'port' && (int) $value > 65000) {
                throw new Failed('--port takes a number up to 65000.');
            }
            $options[$name] = (int) $value;
        }

        return $options;
    }
}
