<?php

declare(strict_types=1);

namespace Tests\Core\Access;

use Heronstem\Core\Access\NewPassword;
use Heronstem\Core\InputRefused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Long, and none that everybody would guess; nothing is asked of signs and capitals. */
final class NewPasswordTest extends TestCase
{
    /** @return iterable<string, array{string, string|null}> a password, and what is said against it */
    public static function passwords(): iterable
    {
        yield 'a few words' => ['curlew walks at dusk', null];
        yield 'letters without meaning' => ['vhbwqpzmtrkd', null];
        yield 'other scripts' => ['черный ворон летит', null];
        yield 'digits alone that follow no row' => ['820471936502', 'easy to guess'];
        yield 'too short' => ['curlew walk', 'at least 12'];
        yield 'too long' => [str_repeat('curlew ', 40), 'at most 200'];
        yield 'a common word twice' => ['passwordpassword', 'easy to guess'];
        yield 'a common word with digits' => ['Password123456!', 'easy to guess'];
        yield 'two common words' => ['welcome summer 2026', 'easy to guess'];
        yield 'one letter again and again' => ['aaaaaaaaaaaaaaaa', 'easy to guess'];
        yield 'the name' => ['Isla-Verrin-1984', 'easy to guess'];
        yield 'the mail address' => ['isla@skerrivane', 'easy to guess'];
    }

    #[Test, DataProvider('passwords')]
    public function a_password_is_taken_or_refused_with_the_reason(string $typed, ?string $reason): void
    {
        $words = array_values(array_filter(explode("\n", (string) file_get_contents(__DIR__.'/../../../resources/passwords/commonest.txt'))));
        try {
            NewPassword::guard($typed, $words, ['Isla Verrin', 'isla@skerrivane.example']);
            self::assertNull($reason);
        } catch (InputRefused $refused) {
            self::assertSame('password', $refused->field);
            self::assertStringContainsString((string) $reason, $refused->reason);
            self::assertNotNull($reason, $refused->reason);
        }
    }
}
