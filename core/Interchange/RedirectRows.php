<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Linking\OwnAddress;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleReader;
use Heronstem\Core\Refusal;

/** Redirects out to rows of a table, and in again with a diagnosis for each. What is written is read as the same rule. */
final class RedirectRows
{
    /** Columns of a file, in their order. */
    public const COLUMNS = [
        'address',
        'leads to',
        'answer',
        'scope',
        'query',
        'rest goes along',
        'begins',
        'ends',
        'on',
        'in front',
        'position',
        'note',
        'seconds',
        'message',
    ];

    /** @var array<string, int> line by what a rule answers for */
    private array $seen = [];

    private int $count = 0;

    /** @param  string  $seed  for identities of the rules: one for each import */
    public function __construct(private readonly RuleReader $reader, private readonly OwnAddress $own, private readonly string $seed)
    {
    }

    /**
     * @param  array<string, string>  $fields  as RedirectFile gives them
     * @param  array<string, string>  $pages  identities of pages by the keys of their addresses
     *
     * @throws Refusal naming the column, with the reason and a way out
     */
    public function read(array $fields, int $line, array $pages = []): Rule
    {
        $source = $fields['source'] ?? '';
        if (isset($fields['refused'])) {
            throw new InputRefused('address', $fields['refused']);
        }
        $own = preg_match('#^https?://#i', $source) === 1 ? $this->own->in($source) : null;
        if ($own === null && preg_match('#^https?://#i', $source) === 1) {
            throw new InputRefused(
                'address',
                'This is an address of another site. Only addresses of this site can be redirected.',
                '/'.ltrim((string) parse_url($source, PHP_URL_PATH), '/'),
            );
        }
        $given = [
            'id' => Identity::derived($this->seed, 'redirect '.$this->count++),
            'source' => $own === null ? $source : $own->path.(($fields['query'] ?? '') === 'match' ? OwnAddress::rest($source) : ''),
            'scope' => self::else($fields, 'scope', str_contains($source, '*') || preg_match('#/:[A-Za-z]#', $source) === 1 ? 'pattern' : 'one'),
            'answer' => strtolower(self::else($fields, 'answer', '301')),
            'query' => self::else($fields, 'query', 'carry'),
            'carriesRest' => self::flag($fields, 'carriesRest', true),
            'from' => $fields['from'] ?? null,
            'until' => $fields['until'] ?? null,
            'isOn' => self::flag($fields, 'isOn', true),
            'inFront' => self::flag($fields, 'inFront', false),
            'position' => (int) ($fields['position'] ?? 0),
            'note' => $fields['note'] ?? '',
            'origin' => "import {$this->seed}",
        ];
        if ($given['answer'] === '410' && ($fields['target'] ?? '') !== '') {
            throw new InputRefused('leadsTo', 'A 410 answer leads nowhere. Remove the target, or choose another answer.');
        }
        if ($given['answer'] !== '410') {
            $given['leadsTo'] = $this->target($fields['target'] ?? '', $pages);
        }
        if ($given['answer'] === 'pause') {
            $given['pause'] = ['seconds' => (int) self::else($fields, 'seconds', '5'), 'message' => $this->message($fields['message'] ?? '')];
        }
        $rule = $this->reader->read($given);
        $first = $this->seen[$rule->identity()] ?? null;
        if ($first !== null) {
            throw new InputRefused('address', "Line $first has this address already. Keep one of them.");
        }
        $this->seen[$rule->identity()] = $line;

        return $rule;
    }

    /** The address of this site that a row leads to, where it may be a page's. */
    public function leadsInto(string $target): ?Address
    {
        return $target === '' || preg_match('/^(?:page|file|address):/', $target) === 1 ? null : $this->own->in($target);
    }

    /**
     * A rule as a row.
     *
     * @param  \Closure(string): ?string  $addressOf  address of a page
     * @param  \Closure(string): ?string  $file  address of a file
     * @return list<string> cells in the order of the columns
     */
    public static function written(Rule $rule, \Closure $addressOf, \Closure $file): array
    {
        $target = match ($rule->target?->kind) {
            null => '',
            TargetKind::Page => $addressOf($rule->target->value) ?? "page:{$rule->target->value}",
            TargetKind::File => $file($rule->target->value) === null ? '' : "file:{$rule->target->value}",
            default => $rule->target->value,
        };
        // An address where a page is would be read as that page.
        $target = $rule->target?->kind === TargetKind::Address && ! str_contains($target, ':') ? "address:$target" : $target;
        $yes = static fn (bool $is): string => $is ? 'yes' : 'no';

        return [
            $rule->source.($rule->matched === '' ? '' : "?{$rule->matched}"),
            $target,
            $rule->answer->value,
            $rule->scope->value,
            $rule->query->value,
            $yes($rule->carriesRest),
            $rule->from?->iso() ?? '',
            $rule->until?->iso() ?? '',
            $yes($rule->isOn),
            $yes($rule->inFront),
            (string) $rule->position,
            $rule->note,
            $rule->pause === null ? '' : (string) $rule->pause->seconds,
            $rule->pause === null ? '' : (string) json_encode($rule->pause->message->toArray(), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
        ];
    }

    /**
     * @param  array<string, string>  $pages
     * @return array<string, string>
     */
    private function target(string $typed, array $pages): array
    {
        if (str_starts_with($typed, '//')) {
            throw new InputRefused('leadsTo', 'Two slashes at the beginning name another host. Write the scheme before them.', "https:$typed");
        }
        if (preg_match('/^(page|file|address):(.*)$/s', $typed, $found) === 1) {
            return [$found[1] => $found[2]];
        }
        $own = $this->own->in($typed);
        $rest = OwnAddress::rest($typed);
        $page = $own === null || $rest !== '' ? null : $pages[$own->key] ?? null;

        return match (true) {
            $page !== null => ['page' => $page],
            $own !== null && preg_match('#^https?://#i', $typed) === 1 => ['address' => $own->path.$rest],
            preg_match('#^[a-z][a-z0-9+.\-]*:#i', $typed) === 1 => ['url' => $typed],
            default => ['address' => $typed],
        };
    }

    /** @return array<string, mixed> a document, or lines of text as its paragraphs */
    private function message(string $written): array
    {
        $read = str_starts_with($written, '{') ? json_decode($written, true) : null;
        $lines = array_values(array_filter(array_map(trim(...), preg_split('/\R/', $written) ?: []), static fn (string $line): bool => $line !== ''));

        return is_array($read)
            ? $read
            : [
                'version' => 1,
                'type' => 'doc',
                'content' => array_map(
                    static fn (string $line): array => ['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $line]]],
                    $lines,
                ),
            ];
    }

    /** @param  array<string, string>  $fields */
    private static function else(array $fields, string $field, string $else): string
    {
        return ($fields[$field] ?? '') === '' ? $else : $fields[$field];
    }

    /** @param  array<string, string>  $fields */
    private static function flag(array $fields, string $field, bool $else): bool
    {
        $typed = strtolower($fields[$field] ?? '');

        return match (true) {
            $typed === '' => $else,
            in_array($typed, ['yes', 'true', '1', 'on', 'y'], true) => true,
            in_array($typed, ['no', 'false', '0', 'off', 'n'], true) => false,
            default => throw new InputRefused($field, 'This is yes or no.', 'yes'),
        };
    }
}
