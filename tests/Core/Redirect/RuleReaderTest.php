<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Redirect\QueryHandling;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleReader;
use Heronstem\Core\Refusal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class RuleReaderTest extends TestCase
{
    private const ID = '01J00000000000000000000001';

    private const PAGE = '01J0000000000000000000PAGE';

    #[Test]
    public function a_rule_is_read_with_its_source_in_normal_form_and_everything_else_by_default(): void
    {
        $rule = $this->read(['source' => ' /Dogs/ ', 'leadsTo' => ['page' => self::PAGE], 'note' => "  Poster \n of 2024 "]);
        self::assertSame(
            ['/Dogs', '/dogs', '301', QueryHandling::Carry, 'Poster of 2024', true],
            [$rule->source, $rule->key, $rule->answer->value, $rule->query, $rule->note, $rule->claims()],
        );
        self::assertEquals($rule, $this->read(RuleReader::written($rule)));
        self::assertEquals($rule, Rule::fromArray(json_decode((string) json_encode($rule->toArray()), true)));
    }

    #[Test]
    public function what_is_not_given_stays_when_a_rule_is_changed(): void
    {
        $rule = $this->read([
            'source' => '/offer?id=3&a=1',
            'query' => 'match',
            'answer' => 'pause',
            'leadsTo' => ['address' => '/fares?x=1#top'],
            'pause' => ['seconds' => 9, 'message' => ['type' => 'doc', 'content' => []]],
            'from' => '2027-01-01',
        ]);
        self::assertSame(
            ['/offer', 'a=1&id=3', 'address /fares?x=1#top', 9, false],
            [$rule->source, $rule->matched, $rule->target?->toText(), $rule->pause?->seconds, $rule->claims()],
        );
        $changed = (new RuleReader(new AddressRules(), 'Europe/London'))->read(['isOn' => false], $rule);
        self::assertEquals($rule->with(['isOn' => false]), $changed);
        $gone = (new RuleReader(new AddressRules(), 'Europe/London'))->read(['answer' => '410', 'leadsTo' => null], $rule);
        self::assertNull($gone->target);
        self::assertNull($gone->pause);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function refused(): iterable
    {
        $to = ['leadsTo' => ['address' => '/new']];
        yield 'no source' => [$to, 'address', 'cannot be empty'];
        yield 'a query' => [['source' => '/a?b=1'] + $to, 'source', 'not part of an address'];
        yield 'no query to look at' => [['source' => '/a', 'query' => 'match'] + $to, 'source', 'which query'];
        yield 'a reserved source' => [['source' => '/robots.txt'] + $to, 'source', 'reserved'];
        yield 'no target' => [['source' => '/a'], 'leadsTo', 'where it leads'];
        yield 'gone with a target' => [['source' => '/a', 'answer' => '410'] + $to, 'leadsTo', 'leads nowhere'];
        yield 'to itself' => [['source' => '/a', 'leadsTo' => ['address' => '/A/?x=1']], 'leadsTo', 'lead to itself'];
        yield 'no http' => [['source' => '/a', 'leadsTo' => ['url' => 'ftp://x.example/']], 'leadsTo', 'https://'];
        yield 'a script' => [['source' => '/a', 'leadsTo' => ['url' => 'javascript:alert(1)']], 'leadsTo', 'https://'];
        yield 'another answer' => [['source' => '/a', 'answer' => '303'] + $to, 'answer', '301, 302, 307, 308, 410, pause'];
        yield 'a pattern of nothing' => [['scope' => 'pattern', 'source' => '/a'] + $to, 'source', 'Nothing in this pattern varies'];
        yield 'an unknown capture' => [
            ['scope' => 'pattern', 'source' => '/a/:x', 'leadsTo' => ['address' => '/b/:y']],
            'leadsTo',
            'catches :x, and not :y',
        ];
        yield 'a capture as host' => [['scope' => 'pattern', 'source' => '/a/:x', 'leadsTo' => ['url' => 'https://:x/']], 'leadsTo', ''];
        yield 'a capture in the host' => [
            ['scope' => 'pattern', 'source' => '/a/:x', 'leadsTo' => ['url' => 'https://www.:x.example/']],
            'leadsTo',
            '',
        ];
        yield 'the end before the beginning' => [
            ['source' => '/a', 'from' => '2027-02-01', 'until' => '2027-01-01'] + $to,
            'until',
            'before it begins',
        ];
        yield 'no date' => [['source' => '/a', 'from' => 'soon'] + $to, 'from', 'not a date'];
        yield 'a long pause' => [['source' => '/a', 'answer' => 'pause', 'pause' => ['seconds' => 61]] + $to, 'pause.seconds', '0 to 60'];
        yield 'a long note' => [['source' => '/a', 'note' => str_repeat('a', 501)] + $to, 'note', 'at most 500'];
        yield 'no flag' => [['source' => '/a', 'isOn' => 'yes'] + $to, 'isOn', 'true or false'];
        yield 'no identity' => [['id' => 'x', 'source' => '/a'] + $to, 'id', 'ULID'];
    }

    /** @param  array<string, mixed>  $given */
    #[Test, DataProvider('refused')]
    public function what_cannot_be_a_rule_is_refused_at_its_field(array $given, string $field, string $reason): void
    {
        try {
            $this->read($given);
            self::fail('It was taken.');
        } catch (Refusal $refusal) {
            self::assertSame($field, $refusal->field);
            self::assertStringContainsString($reason, $refusal->reason);
        }
    }

    /** @param  array<string, mixed>  $given */
    private function read(array $given): Rule
    {
        return (new RuleReader(new AddressRules(), 'Europe/London'))->read($given + ['id' => self::ID]);
    }
}
