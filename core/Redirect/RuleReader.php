<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Address\ReservedAddresses;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Moment;
use Heronstem\Core\OneLine;
use Heronstem\Core\Refusal;

/** Reads redirect rules as somebody wrote them. */
final readonly class RuleReader
{
    /** @param  string  $zone  of the site, for moments that say none */
    public function __construct(private AddressRules $rules, private string $zone)
    {
    }

    /**
     * @param  array<string, mixed>  $given  id, scope, source, answer, leadsTo, query, carriesRest, from, until, isOn, inFront, position, note, pause
     * @param  Rule|null  $now  the rule as it is: fields that are not given stay
     *
     * @throws Refusal naming the field, with the reason and a way out
     */
    public function read(array $given, ?Rule $now = null): Rule
    {
        $keepsTarget = $now !== null && ! array_key_exists('leadsTo', $given);
        $given += $now === null ? [] : self::written($now);
        $id = $given['id'] ?? null;
        if (! Identity::names($id)) {
            throw new InputRefused('id', 'A rule is named by a ULID, 26 letters and digits.');
        }
        $scope = $this->choice(RuleScope::class, $given['scope'] ?? 'one', 'scope', 'A rule answers for one address, a branch or a pattern');
        $answer = $this->choice(RuleAnswer::class, (string) self::scalar($given['answer'] ?? '301'), 'answer', 'A rule answers with');
        $query = $this->choice(QueryHandling::class, $given['query'] ?? 'carry', 'query', 'A rule can do with the query');
        [$source, $key, $matched] = $this->source($scope, $query, self::scalar($given['source'] ?? ''));
        $pattern = $scope === RuleScope::Pattern ? PathPattern::read($source) : null;
        if ($pattern?->varies() === false) {
            throw new InputRefused(
                'source',
                'Nothing in this pattern varies. Make it a redirect of one address, or write :name or * where it varies.',
            );
        }
        $target =
            $keepsTarget && ($answer === RuleAnswer::Gone || $now->target !== null)
                ? ($answer === RuleAnswer::Gone
                    ? null
                    : $now->target)
                : $this->target($answer, $given['leadsTo'] ?? null, $scope);
        if ($pattern !== null && in_array($target?->kind, [TargetKind::Address, TargetKind::Url], true)) {
            $this->guardCaptures($target->value, $pattern);
        }
        if (
            $target?->kind === TargetKind::Address &&
            $scope !== RuleScope::Pattern &&
            $this->addressOf($target)->key === $key &&
            ! ($query === QueryHandling::Match)
        ) {
            throw new InputRefused('leadsTo', 'The rule would lead to itself. Choose where visitors are to go instead.');
        }
        $moments = [$this->moment($given, 'from'), $this->moment($given, 'until')];
        if ($moments[0] !== null && $moments[1] !== null && ! $moments[1]->isAfter($moments[0])) {
            throw new InputRefused('until', 'This ends before it begins.');
        }
        $note = OneLine::typed(self::scalar($given['note'] ?? ''));
        if (mb_strlen($note) > Rule::MAX_NOTE_LENGTH) {
            throw new InputRefused(
                'note',
                sprintf('A note has at most %d characters; this one has %d.', Rule::MAX_NOTE_LENGTH, mb_strlen($note)),
                mb_substr($note, 0, Rule::MAX_NOTE_LENGTH),
            );
        }
        $position = $given['position'] ?? 0;

        return new Rule(
            $id,
            $scope,
            $source,
            $key,
            $answer,
            $target,
            $query,
            $matched,
            self::flag($given, 'carriesRest', true),
            $moments[0],
            $moments[1],
            self::flag($given, 'isOn', true),
            self::flag($given, 'inFront', false),
            is_int($position) ? $position : 0,
            $note,
            $answer === RuleAnswer::Pause ? $this->pause($given['pause'] ?? null) : null,
            $now->origin ?? self::scalar($given['origin'] ?? 'hand'),
        );
    }

    /** @return array<string, mixed> a rule as it is read */
    public static function written(Rule $rule): array
    {
        return [
            'id' => $rule->id,
            'scope' => $rule->scope->value,
            'source' => $rule->source.($rule->matched === '' ? '' : "?{$rule->matched}"),
            'answer' => $rule->answer->value,
            'leadsTo' => $rule->target?->toArray(),
            'query' => $rule->query->value,
            'carriesRest' => $rule->carriesRest,
            'from' => $rule->from?->iso(),
            'until' => $rule->until?->iso(),
            'isOn' => $rule->isOn,
            'inFront' => $rule->inFront,
            'position' => $rule->position,
            'note' => $rule->note,
            'pause' => $rule->pause?->toArray(),
            'origin' => $rule->origin,
        ];
    }

    /** @return array{string, string, string} source, key, and the query that is looked at */
    private function source(RuleScope $scope, QueryHandling $query, string $typed): array
    {
        $typed = trim($typed);
        $isPattern = $scope === RuleScope::Pattern;
        // In a pattern a question mark makes something optional: there the query stands behind the last one that has a "=" after it.
        $cut =
            $query !== QueryHandling::Match
                ? false
                : ($isPattern
                    ? (preg_match('/\?(?=[^?]*=)/', $typed, $found, PREG_OFFSET_CAPTURE) === 1
                        ? $found[0][1]
                        : false)
                    : strpos($typed, '?'));
        $matched = $cut === false ? '' : Query::of(self::encoded(substr($typed, $cut + 1)))->sorted();
        if ($query === QueryHandling::Match && $matched === '') {
            throw new InputRefused('source', 'Say which query it looks at, behind a question mark.', "$typed?id=1");
        }
        $path = $cut === false ? $typed : substr($typed, 0, $cut);
        if ($isPattern) {
            // As addresses are kept: without what the site puts at the end of every one.
            $bare = NormalForm::bare($path, $this->rules);
            $path = $bare === '' || str_ends_with($bare, '\\') ? $path : $bare;

            return [$path, $path, $matched];
        }
        if ($query !== QueryHandling::Match && str_contains($path, '?')) {
            throw new InputRefused(
                'source',
                'A query is not part of an address. Let the rule look at the query, or leave it away.',
                strstr($path, '?', true) ?: '/',
            );
        }
        $address = Address::set($path, $this->rules);
        if (ReservedAddresses::includes($address)) {
            throw new InputRefused('source', "{$address->readable()} is reserved by the system. Choose another address.");
        }

        return [$address->path, $address->key, $matched];
    }

    /** As a URL has it (the query percent-encode set, WHATWG URL 1.3): what would end the query or part it otherwise is encoded. */
    private static function encoded(string $query): string
    {
        return (string) preg_replace_callback(
            '/[\x00-\x20"#<>\x7F-\xFF]/',
            static fn (array $found): string => sprintf('%%%02X', ord($found[0])),
            $query,
        );
    }

    private function target(RuleAnswer $answer, mixed $given, RuleScope $scope): ?Target
    {
        if ($answer === RuleAnswer::Gone) {
            if ($given !== null && $given !== []) {
                throw new InputRefused('leadsTo', 'A 410 answer leads nowhere. Remove the target, or choose another answer.');
            }

            return null;
        }
        if (! is_array($given) || count($given) !== 1) {
            throw new InputRefused(
                'leadsTo',
                'Say where it leads: {"page": identity}, {"address": "/…"}, {"url": "https://…"} or {"file": identity}.',
            );
        }
        $kind = (string) array_key_first($given);
        $value = $given[$kind];
        $target =
            $kind === TargetKind::Address->value && is_string($value) ? $this->address(trim($value)) : Target::read($kind, $value, $this->rules);
        if ($scope === RuleScope::Pattern && $target->kind === TargetKind::Url && preg_match('#^https?://[^/?\#]*$#i', $target->value) === 1) {
            return Target::url($target->value.'/');
        }

        return $target;
    }

    /** An address of this site with the query and fragment that it may carry. */
    private function address(string $typed): Target
    {
        $path = substr($typed, 0, strcspn($typed, '?#'));
        $tail = substr($typed, strlen($path));
        if (preg_match('/[\x00-\x20\x7F<>"\\\\^`{|}]/', $tail) === 1) {
            throw new InputRefused('leadsTo', 'Query and fragment of a target are written percent-encoded.', Address::set($path, $this->rules)->path);
        }

        return Target::stored('address '.Address::set($path, $this->rules)->path.$tail);
    }

    /** @throws InputRefused for a capture that the pattern does not have, or where it would choose the host */
    private function guardCaptures(string $target, PathPattern $pattern): void
    {
        $authority = Destination::authority($target);
        if (preg_match('/:(?![0-9]+$)[^@]/', substr($authority, (int) strpos($authority, '//'))) === 1) {
            throw new InputRefused('leadsTo', 'What a pattern catches cannot choose scheme or host of a target. Put it into the path.');
        }
        preg_match_all(Destination::CAPTURE, substr($target, strlen($authority)), $captures);
        $unknown = array_values(array_diff($captures[1], $pattern->names));
        if ($unknown !== []) {
            $known = $pattern->names === [] ? 'nothing' : ':'.implode(', :', $pattern->names);
            throw new InputRefused('leadsTo', "The pattern catches $known, and not :{$unknown[0]}. Write %3A for a colon that stands for itself.");
        }
    }

    private function addressOf(Target $target): Address
    {
        return Address::asked($target->value, $this->rules);
    }

    private function pause(mixed $given): Pause
    {
        $seconds = is_array($given) ? $given['seconds'] ?? 5 : 5;
        if (! is_int($seconds) || $seconds < 0 || $seconds > Pause::MAX_SECONDS) {
            throw new InputRefused('pause.seconds', sprintf('A pause lasts 0 to %d seconds.', Pause::MAX_SECONDS), '5');
        }
        $message = is_array($given) && is_array($given['message'] ?? null) ? Document::read($given['message']) : Document::blank();

        return new Pause($seconds, $message);
    }

    /** @param  array<string, mixed>  $given */
    private function moment(array $given, string $field): ?Moment
    {
        $typed = $given[$field] ?? null;

        return $typed === null || $typed === '' ? null : Moment::read(self::scalar($typed), $this->zone, $field);
    }

    /**
     * @template T of \BackedEnum
     *
     * @param  class-string<T>  $of
     * @return T
     */
    private function choice(string $of, mixed $given, string $field, string $says): \BackedEnum
    {
        $choices = array_map(static fn (\BackedEnum $case): string => (string) $case->value, $of::cases());

        return (is_string($given) ? $of::tryFrom($given) : null) ??
            throw new InputRefused($field, "$says: ".implode(', ', $choices).'.', $choices[0]);
    }

    /** @param  array<string, mixed>  $given */
    private static function flag(array $given, string $field, bool $else): bool
    {
        $value = $given[$field] ?? $else;

        return is_bool($value) ? $value : throw new InputRefused($field, 'This is true or false.');
    }

    private static function scalar(mixed $value): string
    {
        return is_string($value) || is_int($value) ? (string) $value : '';
    }
}
