<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Cache\NodeMemory;
use Illuminate\Support\Facades\Cache;
use PHPUnit\Framework\Attributes\Test;

/** What a node works out of its files is worked out once, and anew when a file has changed. */
final class NodeMemoryTest extends AppTestCase
{
    private string $file;

    private int $worked = 0;

    protected function setUp(): void
    {
        parent::setUp();
        // The shared memory of workers is not there on the command line; any other store stands for it.
        config(['cache.stores.node' => ['driver' => 'array', 'serialize' => true]]);
        Cache::forgetDriver('node');
        $this->file = (string) tempnam(sys_get_temp_dir(), 'heronstem-memory-');
    }

    protected function tearDown(): void
    {
        unlink($this->file);
        parent::tearDown();
    }

    #[Test]
    public function it_is_kept_as_long_as_the_file_is_as_it_was(): void
    {
        $this->write('one', time() - 60);
        self::assertSame(['one'], $this->known());
        self::assertSame(['one'], $this->known());
        self::assertSame(1, $this->worked);
        self::assertSame(['one'], $this->known('else'));
        self::assertSame(2, $this->worked);
        $this->write('two', time() - 50);
        self::assertSame(['two'], $this->known());
        $this->write('longer', time() - 50);
        self::assertSame(['longer'], $this->known());
    }

    #[Test]
    public function a_file_that_was_just_written_or_is_not_there_is_looked_at_each_time(): void
    {
        $this->write('one', time() + 60);
        $this->known();
        $this->known();
        self::assertSame(2, $this->worked);
        $memory = $this->app->make(NodeMemory::class);
        foreach ([1, 2] as $time) {
            self::assertSame([$time], $memory->of('none', ["$this->file-none"], static fn (): array => [$time]));
        }
    }

    private function write(string $text, int $at): void
    {
        file_put_contents($this->file, $text);
        touch($this->file, $at);
        clearstatcache();
    }

    /** @return list<string> */
    private function known(string $what = 'text'): array
    {
        return $this->app->make(NodeMemory::class)->of($what, [$this->file], function (): array {
            $this->worked++;

            return [(string) file_get_contents($this->file)];
        });
    }
}
