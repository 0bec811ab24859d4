<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Server;

use Heronstem\Core\Redirect\Query;
use Heronstem\Core\Redirect\Resolution;

/** What a web server is to answer. */
final readonly class ServerAnswer
{
    /** Stands for the query of a request while an answer is worked out. */
    public const MARK = 'heronstem.mark=1';

    /**
     * @param  string  $target  with its own query; a caught group of number n stands as "\0n\0"
     * @param  string  $fragment  with its sign
     * @param  bool  $carries  whether the query of the request goes along
     * @param  list<SpeltParameter>  $without  parameters of the request that do not go along, one each
     */
    private function __construct(
        public int $status,
        public string $target = '',
        public string $fragment = '',
        public bool $carries = false,
        public array $without = [],
    ) {
    }

    /** Left to whatever answers for pages, and to no rule behind. */
    public static function left(): self
    {
        return new self(0);
    }

    public static function gone(): self
    {
        return new self(410);
    }

    /**
     * @param  string  $location  as it was worked out for a request with the mark as its query
     * @param  list<SpeltParameter>  $asked  parameters that the rule looks at, which do not go along
     */
    public static function to(int $status, string $location, array $asked = []): self
    {
        $fragment = (string) strstr($location, '#');
        $bare = substr($location, 0, strlen($location) - strlen($fragment));
        $target = str_replace(['?'.self::MARK, '&'.self::MARK], '', $bare);
        $carries = $target !== $bare;
        // Parameters of the target stand, whatever the request has by their names; more than two of a name are not looked for.
        $names = array_filter(Query::in($target)->names(), static fn (string $name): bool => ! str_contains($name, "\0"));
        $without = $carries
            ? [
                ...$asked,
                ...array_merge(
                    [],
                    ...array_map(
                        static fn (string $name): array => [SpeltParameter::named($name), SpeltParameter::named($name)],
                        array_values($names),
                    ),
                ),
            ]
            : [];

        return new self($status, $target, $fragment, $carries, $without);
    }

    /**
     * @param  Resolution  $way  of a request with the mark as its query
     * @param  list<SpeltParameter>  $asked  parameters that the rule looks at
     */
    public static function of(Resolution $way, array $asked = []): self
    {
        return match (true) {
            $way->sendsWith() !== null => self::to($way->sendsWith(), (string) $way->location, $asked),
            $way->status === 410 => self::gone(),
            default => self::left(),
        };
    }

    /** The location that it was made from. */
    public function marked(): string
    {
        return $this->target.($this->carries ? ($this->hasQuery() ? '&' : '?').self::MARK : '').$this->fragment;
    }

    public function hasQuery(): bool
    {
        return str_contains($this->target, '?');
    }

    /** Stands for the parameters that do not go along; empty where all do. */
    public function withoutKey(): string
    {
        return implode("\n", array_map(static fn (SpeltParameter $parameter): string => $parameter->expression, $this->without));
    }
}
