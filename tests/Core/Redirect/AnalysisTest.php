<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\Analysis;
use Heronstem\Core\Redirect\AnsweringPage;
use Heronstem\Core\Redirect\QueryHandling;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleAnswer;
use Heronstem\Core\Redirect\RuleFinding;
use Heronstem\Core\Redirect\RuleFindingKind;
use Heronstem\Core\Tree\PageKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What is noticed of redirect rules, and how it is mended. */
final class AnalysisTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{list<Rule>, list<string>}> rules, and what is found: kind, source, and what mends it */
    public static function rules(): iterable
    {
        yield 'nothing' => [[Rules::one('/a', 'page P'), Rules::one('/b', 'https://x.example/')], []];
        yield 'a loop' => [[Rules::one('/a', '/b'), Rules::one('/b', '/a')], ['loop /a {"isOn":false}', 'loop /b {"isOn":false}']];
        yield 'a loop of a branch' => [[Rules::branch('/a', '/a/b')], ['loop /a {"isOn":false}']];
        yield 'a chain of three' => [
            [Rules::one('/a', '/b'), Rules::one('/b', '/c'), Rules::one('/c', 'page P')],
            ['chain /a {"leadsTo":{"page":"P"}}', 'chain /b {"leadsTo":{"page":"P"}}'],
        ];
        yield 'a chain to elsewhere' => [
            [Rules::one('/a', '/b'), Rules::one('/b', 'https://x.example/y?z')],
            ['chain /a {"leadsTo":{"url":"https://x.example/y?z"}}'],
        ];
        yield 'a chain for good into one for now' => [
            [Rules::one('/a', '/b'), Rules::one('/b', 'page P', ['answer' => RuleAnswer::Found])],
            ['chain /a'],
        ];
        yield 'a chain for now into one for good' => [
            [Rules::one('/a', '/b', ['answer' => RuleAnswer::Found]), Rules::one('/b', 'page P')],
            ['chain /a {"leadsTo":{"page":"P"}}'],
        ];
        yield 'a chain into one with an end' => [
            [Rules::one('/a', '/b'), Rules::one('/b', 'page P', ['until' => Moment::at(Rules::NOW + 9)])],
            ['chain /a'],
        ];
        yield 'a chain into one that drops the query' => [
            [Rules::one('/a', '/b'), Rules::one('/b', 'page P', ['query' => QueryHandling::Drop])],
            ['chain /a'],
        ];
        yield 'a section is no chain' => [[Rules::one('/a', 'page S')], []];
        yield 'a dead address' => [[Rules::one('/a', '/nowhere')], ['dead-target /a {"answer":"410","leadsTo":null}']];
        yield 'a draft' => [[Rules::one('/a', 'page D')], ['dead-target /a {"answer":"410","leadsTo":null}']];
        yield 'what is gone' => [
            [Rules::one('/a', '/b'), Rules::one('/b', '', ['answer' => RuleAnswer::Gone])],
            ['gone-target /a {"answer":"410","leadsTo":null}'],
        ];
        yield 'no encryption' => [[Rules::one('/a', 'http://x.example/')], ['not-https /a {"leadsTo":{"url":"https://x.example/"}}']];
        yield 'over' => [[Rules::one('/a', 'page P', ['until' => Moment::at(Rules::NOW)])], ['expired /a {"isOn":false}']];
        yield 'off is no matter' => [[Rules::one('/a', '/nowhere', ['isOn' => false])], []];
        yield 'in front of a page' => [[Rules::one('/fares', 'https://x.example/', ['inFront' => true])], ['hides-page /fares {"isOn":false}']];
        yield 'behind a rule in front' => [
            [Rules::one('/a', 'page P'), Rules::branch('/a', 'https://x.example/', ['inFront' => true])],
            ['never-fires /a {"isOn":false}'],
        ];
        yield 'a pattern behind a wilder one' => [
            [Rules::pattern('/n/*', 'https://x.example/:0', ['position' => 1]), Rules::pattern('/n/:y', 'page P', ['position' => 2])],
            ['never-fires /n/:y {"isOn":false}'],
        ];
        yield 'a pattern whose words an earlier one has' => [
            [
                Rules::pattern('/t/:s(summer|winter)', 'https://x.example/', ['position' => 1]),
                Rules::pattern('/t/:w(winter)', 'page P', ['position' => 2]),
            ],
            ['never-fires /t/:w(winter) {"isOn":false}'],
        ];
        yield 'a pattern beside one' => [
            [Rules::pattern('/t/:s(summer)', 'https://x.example/', ['position' => 1]), Rules::pattern('/t/:w(winter)', 'page P', ['position' => 2])],
            [],
        ];
        yield 'a pattern that differs in the names of what it catches' => [
            [Rules::pattern('/n/:x', 'https://x.example/', ['position' => 1]), Rules::pattern('/n/:y', 'page P', ['position' => 2])],
            ['never-fires /n/:y {"isOn":false}'],
        ];
        yield 'a pattern of two figures behind one of any' => [
            [Rules::pattern('/n/(\\d+)', 'https://x.example/', ['position' => 1]), Rules::pattern('/n/(\\d\\d)', 'page P', ['position' => 2])],
            ['never-fires /n/(\\d\\d) {"isOn":false}'],
        ];
        yield 'a pattern of any figures behind one of two' => [
            [Rules::pattern('/n/(\\d\\d?)', 'https://x.example/', ['position' => 1]), Rules::pattern('/n/(\\d+)', 'page P', ['position' => 2])],
            [],
        ];
        yield 'an address that a pattern sends to the same place' => [
            [Rules::pattern('/n/:y', 'https://x.example/:y', ['position' => 1]), Rules::one('/n/a', 'https://x.example/a')],
            ['doubled /n/a {"kind":"remove-redirect","gone":false}'],
        ];
        yield 'an address that a pattern sends elsewhere' => [
            [Rules::pattern('/n/:y', 'https://x.example/:y', ['position' => 1]), Rules::one('/n/a', 'https://x.example/b')],
            [],
        ];
        yield 'a pattern in front that hides a page' => [
            [Rules::pattern('/:y(fares|q)', 'https://x.example/', ['inFront' => true])],
            ['hides-page /:y(fares|q) {"isOn":false}'],
        ];
        yield 'a pattern in a branch' => [
            [Rules::branch('/old', 'https://x.example/'), Rules::pattern('/old/:y', 'page P')],
            ['never-fires /old/:y {"isOn":false}'],
        ];
        yield 'a branch does the same' => [
            [Rules::branch('/old', '/fares', ['carriesRest' => false]), Rules::one('/old/a', '/fares')],
            ['doubled /old/a {"kind":"remove-redirect","gone":false}'],
        ];
    }

    /**
     * @param  list<Rule>  $rules
     * @param  list<string>  $expected
     */
    #[Test, DataProvider('rules')]
    public function rules_are_looked_over(array $rules, array $expected): void
    {
        self::assertEqualsCanonicalizing($expected, array_map(self::said(...), self::analysed($rules)));
    }

    #[Test]
    public function a_rule_that_nobody_uses_is_said_after_its_days(): void
    {
        $rule = Rules::one('/a', 'page P');
        self::assertSame([], self::analysed([$rule], [$rule->id => 179]));
        $found = self::analysed([$rule], [$rule->id => 200]);
        self::assertSame([RuleFindingKind::Idle, 200], [$found[0]->kind, $found[0]->days]);
    }

    #[Test]
    public function what_is_straightened_answers_every_request_as_before_and_has_no_chain_left_that_can_be(): void
    {
        $place = Generators::elements(['/a', '/b', '/c', '/d', '/e']);
        $rule = Generators::map(
            static fn (array $drawn): Rule => Rules::one(
                $drawn[0],
                [
                    ...['/a', '/b', '/c', '/d', '/e'],
                    'page P',
                    'https://x.example/',
                    '/nowhere',
                    '/b?x=1',
                    '/c?x=2&y=1#top',
                    '/d#end',
                    'https://x.example/?x=3#a',
                ][$drawn[1]],
                ['answer' => $drawn[2]] + ($drawn[1] % 5 === 4 ? ['query' => QueryHandling::Drop] : []),
            ),
            Generators::tuple(
                $place,
                Generators::choose(0, 11),
                Generators::elements([RuleAnswer::MovedPermanently, RuleAnswer::MovedPermanently, RuleAnswer::Found, RuleAnswer::PermanentRedirect]),
            ),
        );
        $this->limitTo(500)
            ->forAll(Generators::vector(5, $rule))
            ->then(static function (array $drawn): void {
                $rules = [];
                foreach ($drawn as $rule) {
                    if ($rule->target?->value !== $rule->source) {
                        $rules[$rule->key] = $rule;
                    }
                }
                $rules = [...array_values($rules), Rules::one('/b', 'https://y.example/', ['query' => QueryHandling::Match, 'matched' => 'z=1'])];
                $straight = array_column($rules, null, 'id');
                foreach (self::analysed($rules) as $finding) {
                    if ($finding->kind === RuleFindingKind::Chain && $finding->end !== null) {
                        $straight[$finding->rule->id] = $finding->rule->with(['target' => $finding->end]);
                    }
                }
                foreach (['/a', '/b', '/c', '/d', '/e'] as $asked) {
                    foreach (['?q=1', '', '?x=9&z=1'] as $query) {
                        $before = Rules::ask($rules, $asked.$query, ...self::pages());
                        $after = Rules::ask(array_values($straight), $asked.$query, ...self::pages());
                        self::assertSame(
                            [$before->sendsWith(), $before->location, $before->status],
                            [$after->sendsWith(), $after->location, $after->status],
                        );
                    }
                }
                $left = array_filter(
                    self::analysed(array_values($straight)),
                    static fn (RuleFinding $finding): bool => $finding->kind === RuleFindingKind::Chain && $finding->end !== null,
                );
                self::assertSame([], array_map(self::said(...), array_values($left)));
            });
    }

    #[Test]
    public function what_never_fires_or_says_the_same_twice_can_go_and_every_request_is_answered_as_before(): void
    {
        $one = Generators::map(
            static fn (array $drawn): Rule => Rules::one($drawn[0], $drawn[1], ['inFront' => $drawn[2]]),
            Generators::tuple(Generators::elements('/a', '/a/b', '/a/c'), Generators::elements('/x', '/x/b', 'page P'), Generators::bool()),
        );
        $branch = Generators::map(
            static fn (array $drawn): Rule => Rules::branch($drawn[0], $drawn[1], ['inFront' => $drawn[2]]),
            Generators::tuple(Generators::elements('/a', '/a/b'), Generators::elements('/x', 'https://x.example/'), Generators::bool()),
        );
        $pattern = Generators::map(
            static fn (array $drawn): Rule => Rules::pattern($drawn[0], 'https://x.example/p', ['position' => $drawn[1]]),
            Generators::tuple(Generators::elements('/a/:y', '/a/*', '/a/:y(b|c)', '/:z/b'), Generators::choose(1, 4)),
        );
        $this->limitTo(400)
            ->forAll(Generators::vector(5, Generators::oneOf($one, $branch, $pattern)))
            ->then(static function (array $drawn): void {
                $rules = [];
                foreach ($drawn as $rule) {
                    $rules[$rule->identity()] = $rule;
                }
                $rules = array_column($rules, null, 'id');
                foreach (self::analysed(array_values($rules)) as $finding) {
                    if (! in_array($finding->kind, [RuleFindingKind::NeverFires, RuleFindingKind::Doubled], true)) {
                        continue;
                    }
                    $left = array_values(array_filter($rules, static fn (Rule $rule): bool => $rule->id !== $finding->rule->id));
                    $off = $finding->kind === RuleFindingKind::NeverFires ? [...$left, $finding->rule->with(['isOn' => false])] : $left;
                    foreach (['/a', '/a/b', '/a/c', '/a/d', '/a/b/c', '/x/b', '/q/b'] as $asked) {
                        [$before, $after] = [Rules::ask(array_values($rules), $asked, ...self::pages()), Rules::ask($off, $asked, ...self::pages())];
                        self::assertSame(
                            [$before->sendsWith(), $before->location, $before->status],
                            [$after->sendsWith(), $after->location, $after->status],
                            self::said($finding)." at $asked",
                        );
                    }
                }
            });
    }

    /**
     * @param  list<Rule>  $rules
     * @param  array<string, int>  $idle
     * @return list<RuleFinding>
     */
    private static function analysed(array $rules, array $idle = []): array
    {
        return Analysis::of(
            $rules,
            new AddressRules(),
            new Rules($rules, array_column(self::pages(), null, 'id')),
            Moment::at(Rules::NOW),
            $idle,
            live: array_column(self::pages(), 'id', 'address'),
        );
    }

    /** @return list<AnsweringPage> */
    private static function pages(): array
    {
        return [
            new AnsweringPage('P', 'Fares', '/fares', true),
            new AnsweringPage('D', 'Draft', '/draft', false),
            new AnsweringPage('S', 'Section', '/section', true, PageKind::Pointer, Target::page('P')),
        ];
    }

    private static function said(RuleFinding $finding): string
    {
        $mend = array_diff_key($finding->mend() ?? [], ['redirect' => true]);

        return "{$finding->kind->value} {$finding->rule->source}".
            ($mend === []
                ? ''
                : ' '.json_encode(array_filter($mend, static fn (mixed $value): bool => $value !== 'change-redirect'), JSON_UNESCAPED_SLASHES));
    }
}
