<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Replace;

use Heronstem\Core\InputRefused;

/** What is looked for in texts, and what takes its place. Looking stays short, whatever the pattern. */
final readonly class Replacement
{
    private const MAX_LENGTH = 500;

    /** Steps that PCRE2 may take in one text: far more than any sensible pattern needs, and a few hundredths of a second. */
    private const MAX_STEPS = '300000';

    private function __construct(private string $regex, private string $with, private Way $way)
    {
    }

    /**
     * @param  bool  $matchCase  capitals are told apart
     *
     * @throws InputRefused naming `find` or `with`
     */
    public static function of(string $find, string $with, Way $way, bool $matchCase): self
    {
        foreach (['find' => $find, 'with' => $with] as $field => $text) {
            if (mb_strlen($text) > self::MAX_LENGTH) {
                throw new InputRefused($field, sprintf('At most %d characters fit here; these are %d.', self::MAX_LENGTH, mb_strlen($text)));
            }
            if (! mb_check_encoding($text, 'UTF-8') || preg_match('/[\x00-\x08\x0B\x0C\x0E-\x1F]/', $text) === 1) {
                throw new InputRefused($field, 'This contains characters that no text has.');
            }
        }
        if ($find === '') {
            throw new InputRefused('find', 'Say what to look for.');
        }
        $quoted = preg_quote($find, '~');
        $body = match ($way) {
            Way::Plain => $quoted,
            Way::Words => '(?<![\p{L}\p{N}_])'.$quoted.'(?![\p{L}\p{N}_])',
            Way::Pattern => (string) preg_replace('/(?<!\\\\)((?:\\\\\\\\)*)~/', '$1\\~', $find),
        };
        $one = new self("~$body~".($matchCase ? '' : 'i').'u', $with, $way);
        if ($way === Way::Pattern) {
            $one->guardPattern($find);
        }

        return $one;
    }

    /**
     * @return list<Found> in order, none over another; where nothing would stand otherwise is none
     *
     * @throws InputRefused naming `find`, where looking takes too long
     */
    public function in(string $text): array
    {
        $limit = ini_set('pcre.backtrack_limit', self::MAX_STEPS);
        $count = preg_match_all($this->regex, $text, $matches, PREG_SET_ORDER | PREG_OFFSET_CAPTURE | PREG_UNMATCHED_AS_NULL);
        ini_set('pcre.backtrack_limit', (string) $limit);
        if ($count === false) {
            throw new InputRefused('find', 'This search takes too long: the expression can match in too many ways. Make what is repeated more specific.');
        }
        $found = [];
        $end = 0;
        foreach ($matches as $match) {
            [$is, $start] = [(string) $match[0][0], (int) $match[0][1]];
            $becomes =
                $this->way === Way::Pattern ? $this->filled(array_map(static fn (array $group): string => (string) $group[0], $match)) : $this->with;
            // What only looks ahead or back may start before the last one ended.
            if ($is !== '' && $is !== $becomes && $start >= $end) {
                $found[] = new Found($start, $is, $becomes);
                $end = $start + strlen($is);
            }
        }

        return $found;
    }

    /** @param  list<Found>  $found  in order */
    public static function made(string $text, array $found): string
    {
        $made = '';
        $from = 0;
        foreach ($found as $each) {
            $made .= substr($text, $from, $each->start - $from).$each->becomes;
            $from = $each->end();
        }

        return $made.substr($text, $from);
    }

    /** @param  array<int|string, string>  $groups */
    private function filled(array $groups): string
    {
        return (string) preg_replace_callback(
            '/\$(?:(\$)|(\d{1,2})|\{(\d{1,2})\})/',
            static fn (array $named): string => $named[1] !== '' ? '$' : $groups[(int) ($named[2] !== '' ? $named[2] : $named[3] ?? 0)] ?? '',
            $this->with,
        );
    }

    private function guardPattern(string $find): void
    {
        // It is tried on nothing: a fault in it shows at once, and what PCRE says of it names the place.
        $said = '';
        set_error_handler(static function (int $level, string $message) use (&$said): bool {
            $said = (string) preg_replace('/^preg_match\(\): (?:Compilation failed: )?/', '', $message);

            return true;
        });
        $tried = preg_match($this->regex, '');
        restore_error_handler();
        if ($tried === false) {
            throw new InputRefused('find', 'This is not a valid regular expression'.($said === '' ? '.' : ": $said."));
        }
        if (preg_match('/(?<!\\\\)(?:\\\\\\\\)*\\\\C/', $find) === 1) {
            throw new InputRefused('find', '\C is not supported: parts of a character cannot be searched for.');
        }
        preg_match_all('/\$(?:\$|(\d{1,2})|\{(\d{1,2})\})/', $this->with, $named);
        $most = max([0, ...array_map(intval(...), $named[1]), ...array_map(intval(...), $named[2])]);
        $has = $this->groups();
        if ($most > $has) {
            throw new InputRefused(
                'with',
                $has === 0
                    ? "The pattern has no groups: put what \$$most stands for in parentheses."
                    : "The pattern has $has groups, and no \$$most.",
            );
        }
    }

    private function groups(): int
    {
        // An alternative that is empty always matches, with all groups of the other one not taken part in.
        preg_match(
            substr($this->regex, 0, 1).'|(?:'.substr($this->regex, 1, (int) strrpos($this->regex, '~') - 1).')'.strrchr($this->regex, '~'),
            '',
            $groups,
            PREG_UNMATCHED_AS_NULL,
        );

        return count(array_filter(array_keys($groups), is_int(...))) - 1;
    }
}
