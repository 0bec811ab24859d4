<?php

declare(strict_types=1);

namespace Tests\Core\Access;

use Heronstem\Core\Access\Totp;
use Heronstem\Core\InputRefused;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Against the vectors of the standards. */
final class TotpTest extends TestCase
{
    private const SECRET = '12345678901234567890';

    #[Test]
    public function it_gives_the_codes_of_rfc_4226_appendix_d(): void
    {
        $codes = array_map(Totp::ofBytes(self::SECRET)->code(...), range(0, 9));
        self::assertSame(['755224', '287082', '359152', '969429', '338314', '254676', '287922', '162583', '399871', '520489'], $codes);
    }

    #[Test]
    #[TestWith([59, '94287082'])]
    #[TestWith([1111111109, '07081804'])]
    #[TestWith([1111111111, '14050471'])]
    #[TestWith([1234567890, '89005924'])]
    #[TestWith([2000000000, '69279037'])]
    #[TestWith([20000000000, '65353130'])]
    public function it_gives_the_codes_of_rfc_6238_appendix_b(int $time, string $code): void
    {
        self::assertSame($code, Totp::ofBytes(self::SECRET)->code(Totp::stepAt($time), 8));
    }

    #[Test]
    #[TestWith(['f', 'MY'])]
    #[TestWith(['fo', 'MZXQ'])]
    #[TestWith(['foo', 'MZXW6'])]
    #[TestWith(['foob', 'MZXW6YQ'])]
    #[TestWith(['fooba', 'MZXW6YTB'])]
    #[TestWith(['foobar', 'MZXW6YTBOI'])]
    public function secrets_are_written_as_rfc_4648_has_it(string $bytes, string $letters): void
    {
        self::assertSame($letters, Totp::ofBytes($bytes)->toLetters());
        self::assertSame($letters, Totp::ofLetters(strtolower(chunk_split($letters, 4, ' ')).'==')->toLetters());
        $this->expectException(InputRefused::class);
        Totp::ofLetters("$letters!");
    }

    #[Test]
    public function a_code_is_good_half_a_minute_around_its_time_and_once(): void
    {
        $totp = Totp::ofBytes(self::SECRET);
        $now = 1_800_000_000;
        $step = Totp::stepAt($now);
        foreach ([-1, 0, 1] as $near) {
            self::assertSame($step + $near, $totp->stepOf(chunk_split($totp->code($step + $near), 3, ' '), $now, null));
            self::assertNull($totp->stepOf($totp->code($step + $near), $now, $step + $near), 'It was used.');
        }
        foreach ([-2, 2] as $far) {
            self::assertNull($totp->stepOf($totp->code($step + $far), $now, null));
        }
        self::assertNull($totp->stepOf($totp->code($step - 1), $now, $step), 'One that is older than what was used is good no more.');
        self::assertNull($totp->stepOf('', $now, null));
    }

    #[Test]
    public function a_device_is_told_whose_code_it_is(): void
    {
        self::assertSame(
            'otpauth://totp/Heronstem:mairi%40skerrivane.example?secret=GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ&issuer=Heronstem',
            Totp::ofBytes(self::SECRET)->toUri('Heronstem', 'mairi@skerrivane.example'),
        );
    }
}
