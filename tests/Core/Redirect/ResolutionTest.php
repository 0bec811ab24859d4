<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Redirect\AnsweringPage;
use Heronstem\Core\Redirect\RuleAnswer;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** However many steps a way has, visitors take one: with the status that says no more than every step says. */
final class ResolutionTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function a_way_of_many_steps_is_as_lasting_and_keeps_the_method_as_all_of_them_do(): void
    {
        $answer = Generators::elements(RuleAnswer::MovedPermanently, RuleAnswer::Found, RuleAnswer::TemporaryRedirect, RuleAnswer::PermanentRedirect);
        $this->limitTo(200)
            ->forAll(Generators::seq($answer))
            ->then(static function (array $answers): void {
                $answers = array_slice($answers, 0, 8);
                $rules = [];
                foreach ($answers as $n => $each) {
                    $rules[] = Rules::one("/step/$n", $n === count($answers) - 1 ? 'page P' : '/step/'.($n + 1), ['answer' => $each]);
                }
                $way = Rules::ask($rules, '/step/0?q=1', new AnsweringPage('P', 'Fares', '/fares', true));
                if ($answers === []) {
                    self::assertSame([null, 404], [$way->sendsWith(), $way->status]);

                    return;
                }
                $statuses = array_map(static fn (RuleAnswer $each): int => $each->status(), $answers);
                self::assertSame($statuses, array_map(static fn ($hop): int => $hop->status, $way->hops));
                self::assertSame('/fares?q=1', $way->location);
                self::assertSame(
                    array_diff($statuses, [301, 308]) === [],
                    in_array($way->sendsWith(), [301, 308], true),
                    'Permanent if every step is.',
                );
                self::assertSame(
                    array_diff($statuses, [307, 308]) === [],
                    in_array($way->sendsWith(), [307, 308], true),
                    'The method is kept if every step keeps it.',
                );
            });
    }

    #[Test]
    public function an_address_that_a_page_had_is_told_from_another_spelling_of_the_one_it_has(): void
    {
        $page = new AnsweringPage('P', 'Fares', '/fares', true);
        $rules = new AddressRules();
        self::assertFalse(Rules::ask([], '/Fares/', $page)->isMoved($rules));
        self::assertFalse(Rules::ask([], '/fares', $page)->isMoved($rules));
        self::assertFalse(Rules::ask([Rules::one('/old', 'page P')], '/old', $page)->isMoved($rules), 'A redirect has a count of its own.');
        self::assertFalse(Rules::ask([], '/nobody', $page)->isMoved($rules));
    }

    #[Test]
    public function a_way_through_a_rule_is_the_rules_whoever_has_the_address(): void
    {
        $page = new AnsweringPage('P', 'Fares', '/fares', true);
        $branch = Rules::branch('/fares', 'https://x.example/f');
        $site = new Rules([$branch], ['P' => $page]);
        self::assertSame(200, $site->resolve('/fares')->status, 'The page has its address.');
        self::assertSame([301, 'https://x.example/f?q=1'], [($through = $site->through($branch, '/fares?q=1'))->sendsWith(), $through->location]);
        $pattern = Rules::pattern('/n/:y/:s', '/t/:s-:y');
        self::assertSame('/t/b-a', (new Rules([$pattern]))->through($pattern, '/n/a/b')->location);
    }
}
