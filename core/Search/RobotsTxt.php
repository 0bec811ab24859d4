<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** A robots.txt as crawlers read it (RFC 9309): groups of rules by agent, the longest match decides, `allow` where two are equally long. */
final readonly class RobotsTxt
{
    /** Crawlers read at least so much of it (section 2.5), and need read no more; in bytes. */
    public const MAX_BYTES = 512000;

    /**
     * @param  array<string, list<RobotsRule>>  $groups  by agent in lower case
     * @param  list<string>  $sitemaps
     * @param  array<int, string>  $unread  lines that say nothing to a crawler, by number
     */
    private function __construct(public array $groups, public array $sitemaps, public array $unread)
    {
    }

    public static function parse(string $text): self
    {
        $text = substr($text, 0, self::MAX_BYTES);
        $text = str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text;
        $groups = $sitemaps = $unread = $agents = [];
        $isOpen = false;
        foreach (preg_split('/\r\n|\r|\n/', $text) ?: [] as $n => $line) {
            $said = trim((string) preg_replace('/#.*$/s', '', $line));
            if ($said === '') {
                continue;
            }
            [$key, $value] = [...array_map(trim(...), explode(':', $said, 2)), ''];
            switch (strtolower($key)) {
                case 'user-agent':
                    $agent = self::token($value);
                    $agents = $isOpen ? [...$agents, $agent] : [$agent];
                    $isOpen = true;
                    $groups[$agent] ??= [];
                    break;
                case 'allow':
                case 'disallow':
                    $isOpen = false;
                    if ($agents === []) {
                        $unread[$n + 1] = $said; // no group it could belong to
                    }
                    foreach ($agents as $agent) {
                        $groups[$agent][] = new RobotsRule(strtolower($key) === 'allow', $value, $n + 1);
                    }
                    break;
                case 'sitemap':
                    $sitemaps[] = $value; // belongs to no group, and ends none (section 2.2.4)
                    break;
                default:
                    $unread[$n + 1] = $said;
            }
        }

        return new self($groups, $sitemaps, $unread);
    }

    /**
     * @param  string  $agent  product token of the crawler, or its whole user-agent line
     * @param  string  $address  path and query
     */
    public function verdict(string $agent, string $address): RobotsVerdict
    {
        $group = $this->groupOf($agent);
        if ($address === '/robots.txt') {
            return new RobotsVerdict(true, null, $group); // always may (section 2.2.2)
        }
        $decides = null;
        foreach ($group === null ? [] : $this->groups[$group] as $rule) {
            if (
                $rule->matches($address) &&
                ($decides === null || $rule->length() > $decides->length() || ($rule->length() === $decides->length() && $rule->allows && ! $decides->allows))
            ) {
                $decides = $rule;
            }
        }

        return new RobotsVerdict($decides === null || $decides->allows, $decides, $group);
    }

    /** The group of the agent, else that of all others (section 2.2.1). */
    private function groupOf(string $agent): ?string
    {
        $asked = self::token($agent);
        if (isset($this->groups[$asked])) {
            return $asked;
        }

        return isset($this->groups['*']) ? '*' : null;
    }

    /** Letters, `_` and `-` from the beginning of a name (section 2.2.1), in lower case. */
    private static function token(string $name): string
    {
        return str_starts_with($name, '*') ? '*' : (preg_match('/^[A-Za-z_-]+/', $name, $found) === 1 ? strtolower($found[0]) : strtolower($name));
    }
}
