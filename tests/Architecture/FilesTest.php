<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class FilesTest extends TestCase
{
    #[Test]
    public function every_php_file_of_ours_declares_strict_types(): void
    {
        foreach ($this->files(['core', 'app', 'launch', 'routes', 'config', 'database', 'tests', 'bench'], 'php') as $file) {
            self::assertStringContainsString('declare(strict_types=1);', (string) file_get_contents($file), $file);
        }
    }

    #[Test]
    public function the_core_has_no_clock_no_chance_and_no_input_or_output_of_its_own(): void
    {
        foreach ($this->files(['core'], 'php') as $file) {
            self::assertDoesNotMatchRegularExpression('/\b(?:time|microtime|date|rand|mt_rand|random_int|random_bytes|file_get_contents|file_put_contents|fopen|echo|curl_\w+|getenv|env|config)\s*\(|\bnew \\\\?DateTimeImmutable\(\)/', (string) file_get_contents($file), $file);
        }
    }

    #[Test]
    public function nothing_is_loaded_from_elsewhere_at_run_time(): void
    {
        foreach ([...$this->files(['resources/js'], 'tsx'), ...$this->files(['resources/js'], 'ts'), ...$this->files(['resources/css'], 'css'), ...$this->files(['resources/views'], 'php')] as $file) {
            self::assertDoesNotMatchRegularExpression('#(?:src|href|url|import|from)\s*[=(]?\s*["\'(]?https?://(?!www\.w3\.org)#', (string) file_get_contents($file), $file);
        }
    }

    /**
     * @param  list<string>  $folders
     * @return list<string>
     */
    private function files(array $folders, string $ending): array
    {
        $files = [];
        foreach ($folders as $folder) {
            foreach (is_dir(__DIR__."/../../$folder") ? new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(__DIR__."/../../$folder", \FilesystemIterator::SKIP_DOTS)) : [] as $file) {
                if (str_ends_with((string) $file, ".$ending") && ! str_contains((string) $file, '.blade.php') || str_ends_with((string) $file, ".blade.$ending") && $folder === 'resources/views') {
                    $files[] = (string) $file;
                }
            }
        }

        return $files;
    }
}
