<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Linking\TargetKind;

/**
 * Where a rule leads for one request: captures are put into path, query and fragment of the target, never into scheme or host;
 * the rest of a branch goes to the end of the path, and the query of the request is treated as the rule says.
 */
final readonly class Destination
{
    /** What stands before the path of a URL. */
    private const AUTHORITY = '#^https?://[^/?\\\\\#]*#i';

    /** A capture in a target: `:slug`, or `:0` for one without a name. */
    public const CAPTURE = '/:([A-Za-z_$][A-Za-z0-9_$]*|[0-9]+)/';

    public function __construct(private RuleMatch $match, private AddressRules $rules)
    {
    }

    /** Scheme and host of a target; empty for an address of the site. */
    public static function authority(string $target): string
    {
        return preg_match(self::AUTHORITY, $target, $found) === 1 ? $found[0] : '';
    }

    /**
     * @param  string  $target  an address or URL, with query and fragment if it has them
     * @param  Query  $asked  the query of the request
     */
    public function from(string $target, Query $asked): string
    {
        $rule = $this->match->rule;
        $authority = self::authority($target);
        $rest = substr($target, strlen($authority));
        $path = substr($rest, 0, strcspn($rest, '?#'));
        $tail = substr($rest, strlen($path));
        $fragment = strstr($tail, '#');
        $query = Query::in($rest);
        if ($rule->scope === RuleScope::Pattern) {
            $path = $this->filled($path, static fn (string $value): string => $value);
            $query = Query::of($this->filled($query->text(), self::inQuery(...)));
            $fragment = $fragment === false ? false : $this->filled($fragment, self::inQuery(...));
        }
        if ($rule->scope === RuleScope::Branch && $rule->carriesRest && $this->match->rest !== '') {
            $path = $this->extended($path, $authority);
        }
        // A capture may begin with a slash: what is sent must not be read as another host.
        $path = $path === '' ? '' : '/'.ltrim($path, '/');
        if ($this->isOwn($authority) && $rule->scope !== RuleScope::One && $this->rules->ending() !== '') {
            $path = NormalForm::ended($path, $this->rules);
        }

        return $authority.$path.$this->query($query, $asked)->text().($fragment === false ? '' : $fragment);
    }

    private function query(Query $target, Query $asked): Query
    {
        return match ($this->match->rule->query) {
            QueryHandling::Drop => $target,
            QueryHandling::Carry => $target->merged($asked),
            QueryHandling::Match => $target->merged($asked->without(Query::of($this->match->rule->matched))),
        };
    }

    private function extended(string $path, string $authority): string
    {
        return ($this->isOwn($authority) ? NormalForm::bare($path, $this->rules) : rtrim($path, '/'))."/{$this->match->rest}";
    }

    /** Whether it leads to an address of the site, which ends as all of them do. */
    private function isOwn(string $authority): bool
    {
        return $authority === '' && $this->match->rule->target?->kind !== TargetKind::File;
    }

    /** @param  \Closure(string): string  $written */
    private function filled(string $text, \Closure $written): string
    {
        return (string) preg_replace_callback(
            self::CAPTURE,
            fn (array $found): string => array_key_exists($found[1], $this->match->captures) ? $written($this->match->captures[$found[1]]) : $found[0],
            $text,
        );
    }

    /** A piece of a path as the value of a parameter: what parts parameters is encoded. */
    private static function inQuery(string $value): string
    {
        return strtr($value, ['&' => '%26', '=' => '%3D', '+' => '%2B', '#' => '%23', ';' => '%3B']);
    }
}
