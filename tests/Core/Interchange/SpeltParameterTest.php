<?php

declare(strict_types=1);

namespace Tests\Core\Interchange;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Interchange\Server\ServerAnswer;
use Heronstem\Core\Interchange\Server\SpeltParameter;
use Heronstem\Core\Redirect\Query;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** A web server finds a parameter in every spelling in which it is found here, and in no other. */
final class SpeltParameterTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function a_parameter_is_found_as_the_query_itself_finds_it(): void
    {
        $word = Generators::elements('id', 'a b', 'ü', '50%', 'x/y', '', 'A', '[]');
        $spelling = Generators::choose(0, 3);
        $this->limitTo(500)
            ->forAll($word, $word, $word, $word, $spelling)
            ->then(function (string $name, string $value, string $otherName, string $otherValue, int $spelling): void {
                if ($name === '' || $otherName === '') {
                    return;
                }
                $written =
                    self::written($otherName, $spelling).($otherValue === '' && $spelling === 0 ? '' : '='.self::written($otherValue, $spelling));
                $asked = Query::of(rawurlencode($name).'='.rawurlencode($value));
                self::assertSame(
                    Query::of($written)->has($asked),
                    preg_match('~^'.SpeltParameter::pair($name, $value)->expression.'$~D', $written) === 1,
                    "$written for $name=$value",
                );
                self::assertSame($otherName === $name, preg_match('~^'.SpeltParameter::named($name)->expression.'$~D', $written) === 1);
            });
    }

    #[Test]
    public function an_answer_knows_its_target_its_fragment_and_which_parameters_stand(): void
    {
        $answer = ServerAnswer::to(301, 'https://x.example/a?from=o&'.ServerAnswer::MARK.'#top');
        self::assertSame(
            ['https://x.example/a?from=o', '#top', true, true, 2],
            [$answer->target, $answer->fragment, $answer->carries, $answer->hasQuery(), count($answer->without)],
        );
        self::assertSame('https://x.example/a?from=o&'.ServerAnswer::MARK.'#top', $answer->marked());
        $plain = ServerAnswer::to(302, '/a');
        self::assertSame(['/a', '', false, false, []], [$plain->target, $plain->fragment, $plain->carries, $plain->hasQuery(), $plain->without]);
        self::assertSame(410, ServerAnswer::gone()->status);
    }

    private static function written(string $text, int $spelling): string
    {
        return match ($spelling) {
            0 => str_replace('%20', '+', rawurlencode($text)),
            1 => rawurlencode($text),
            2 => strtolower(
                implode('', array_map(static fn (string $byte): string => sprintf('%%%02X', ord($byte)), $text === '' ? [] : str_split($text))),
            ),
            default => str_replace(['%2F', '%5B', '%5D'], ['/', '[', ']'], rawurlencode($text)),
        };
    }
}
