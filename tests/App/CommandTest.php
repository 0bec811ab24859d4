<?php

declare(strict_types=1);

namespace Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The one command, as far as it answers without starting anything. */
final class CommandTest extends TestCase
{
    /** @return iterable<string, array{list<string>, int, string}> */
    public static function calls(): iterable
    {
        yield 'help' => [['help'], 0, 'Start the editor and the demo sites'];
        yield 'nothing' => [[], 0, 'Use: ./heronstem COMMAND'];
        yield 'a slip' => [['dmeo'], 2, 'Did you mean demo?'];
        yield 'a beginning' => [['expl'], 2, 'Did you mean explain?'];
        yield 'nonsense' => [['frobnicate'], 2, './heronstem help lists them all'];
        yield 'unknown option' => [['demo', '--prot', '9000'], 1, 'There is no option "--prot" here; known are --port, --fresh, --detach, --pages.'];
        yield 'no number' => [['demo', '--port', 'high'], 1, '--port takes a whole number'];
        yield 'no value' => [['demo', '--pages'], 1, '--pages takes a whole number'];
        yield 'port out of range' => [['demo', '--port=70000'], 1, 'up to 65000'];
        yield 'unknown measurement' => [['bench', 'everything'], 1, 'audit, bin-restore, branch-move'];
    }

    /** @param  list<string>  $words */
    #[Test, DataProvider('calls')]
    public function every_call_is_answered(array $words, int $code, string $says): void
    {
        $process = proc_open([PHP_BINARY, __DIR__.'/../../heronstem', ...$words], [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes);
        $said = stream_get_contents($pipes[1]).stream_get_contents($pipes[2]);
        self::assertSame($code, proc_close($process), $said);
        self::assertStringContainsString($says, $said);
    }
}
