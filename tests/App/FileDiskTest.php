<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Files\FileDisk;
use App\Desk\Files\NoRoom;
use Illuminate\Contracts\Filesystem\Factory;
use Illuminate\Contracts\Filesystem\Filesystem;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What is put on the disk of files is there to its end, or nothing of it is. */
final class FileDiskTest extends TestCase
{
    #[Test]
    #[TestWith(['text', 1000, true])]
    #[TestWith(['text', 12, false])]
    #[TestWith(['file', 1000, true])]
    #[TestWith(['file', 12, false])]
    #[TestWith(['pipe', 1000, true])]
    #[TestWith(['pipe', 12, false])]
    public function it_is_whole_or_refused(string $given, int $room, bool $isKept): void
    {
        $kept = [];
        $disk = $this->createStub(Filesystem::class);
        // As a local disk does: it says that it has written what it has written in part.
        $disk->method('put')->willReturnCallback(static function (string $path, mixed $bytes) use (&$kept, $room): bool {
            $kept[$path] = is_resource($bytes) ? (string) stream_get_contents($bytes, $room) : substr((string) $bytes, 0, $room);

            return true;
        });
        $disk->method('size')->willReturnCallback(static function (string $path) use (&$kept): int {
            return strlen($kept[$path]);
        });
        $disk->method('delete')->willReturnCallback(static function (string $path) use (&$kept): bool {
            unset($kept[$path]);

            return true;
        });
        $disks = $this->createStub(Factory::class);
        $disks->method('disk')->willReturn($disk);
        $text = 'A leaflet of some forty characters, or so.';
        try {
            (new FileDisk($disks, 'any'))->put(
                'leaflet',
                match ($given) {
                    'text' => $text,
                    'file' => $this->file($text),
                    default => popen('printf %s '.escapeshellarg($text), 'r'),
                },
            );
            self::assertTrue($isKept);
        } catch (NoRoom) {
            self::assertFalse($isKept);
        }
        self::assertSame($isKept ? ['leaflet' => $text] : [], $kept);
    }

    /** @return resource */
    private function file(string $text)
    {
        $file = tmpfile();
        self::assertIsResource($file);
        fwrite($file, $text);
        rewind($file);

        return $file;
    }
}
