<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class FilesTest extends TestCase
{
    private const MAX_LINE_LENGTH = 160;

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
            self::assertDoesNotMatchRegularExpression(
                '/\b(?:time|microtime|date|rand|mt_rand|random_int|random_bytes|file_get_contents|file_put_contents|fopen|echo|curl_\w+|getenv|env|config)\s*\(|\bnew \\\\?DateTimeImmutable\(\)/',
                (string) file_get_contents($file),
                $file,
            );
        }
    }

    #[Test]
    public function nothing_is_loaded_from_elsewhere_at_run_time(): void
    {
        foreach (
            [
                ...$this->files(['resources/js'], 'tsx'),
                ...$this->files(['resources/js'], 'ts'),
                ...$this->files(['resources/css'], 'css'),
                ...$this->files(['resources/views'], 'php'),
            ] as $file
        ) {
            self::assertDoesNotMatchRegularExpression(
                '#(?:src|href|url|import|from)\s*[=(]?\s*["\'(]?https?://(?!www\.w3\.org)#',
                (string) file_get_contents($file),
                $file,
            );
        }
    }

    /** Texts, patterns and comments cannot always be broken; code can. */
    #[Test]
    public function no_line_of_php_code_is_longer_than_a_screen_is_wide(): void
    {
        $long = [];
        foreach ($this->files(['core', 'app', 'launch', 'routes', 'config', 'tests', 'bench'], 'php') as $file) {
            foreach ($this->widths((string) file_get_contents($file)) as $line => $width) {
                if ($width > self::MAX_LINE_LENGTH) {
                    $long[] = "$file:$line";
                }
            }
        }
        self::assertSame([], $long, 'npm run format:php breaks them.');
    }

    /** @return array<int, int> signs of code by line */
    private function widths(string $code): array
    {
        $widths = [];
        foreach (\PhpToken::tokenize($code) as $token) {
            $line = $token->line;
            $isText = $token->is([T_CONSTANT_ENCAPSED_STRING, T_ENCAPSED_AND_WHITESPACE, T_COMMENT, T_DOC_COMMENT, T_INLINE_HTML]);
            foreach (explode("\n", $token->text) as $n => $part) {
                $widths[$line + $n] = ($widths[$line + $n] ?? 0) + ($isText ? 0 : mb_strlen($part));
            }
        }

        return $widths;
    }

    /**
     * @param  list<string>  $folders
     * @return list<string>
     */
    private function files(array $folders, string $ending): array
    {
        $files = [];
        foreach ($folders as $folder) {
            foreach (
                is_dir(__DIR__."/../../$folder")
                    ? new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(__DIR__."/../../$folder", \FilesystemIterator::SKIP_DOTS))
                    : [] as $file
            ) {
                if (
                    (str_ends_with((string) $file, ".$ending") && ! str_contains((string) $file, '.blade.php')) ||
                    (str_ends_with((string) $file, ".blade.$ending") && $folder === 'resources/views')
                ) {
                    $files[] = (string) $file;
                }
            }
        }

        return $files;
    }
}
