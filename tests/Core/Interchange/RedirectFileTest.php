<?php

declare(strict_types=1);

namespace Tests\Core\Interchange;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Interchange\RedirectFile;
use Heronstem\Core\Interchange\Server\KeptRules;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Redirects are found in the configuration of web servers, whatever else it has. */
final class RedirectFileTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function an_nginx_configuration_gives_its_redirects_and_says_which_cannot_be_read(): void
    {
        $rows = $this->rows(
            <<<'NGINX'
            server {
              listen 80; # nothing here
              location = /dogs { return 301 /travel/dogs; }
              location /shop/ { return 302 https://shop.example/$is_args$args; }
              rewrite "^/old/(.*)$" /new/$1 permanent;
              rewrite ^/n/([0-9]{4})/(\w+)$ /news/$2? redirect;
              rewrite ^/inside$ /index.php last;
              location = "/with space" { return 410; }
              if ($host = x) { return 301 /y; }
              location /v/ { return 301 https://$server/x$uri; }
              return 301 $moved;
            }
            map $uri $moved {
              default "";
              /m /t; ~^/k/(.*)$ /l/$1;
            }
            NGINX
            ,
        );
        self::assertSame(
            [
                ['/dogs', 'one', '301', '/travel/dogs', 'drop', 'no'],
                ['/shop', 'branch', '302', 'https://shop.example/', 'carry', 'no'],
                ['/old', 'branch', '301', '/new', 'carry', 'yes'],
                ['/n/([0-9]{4})/(\w+)', 'pattern', '302', '/news/:1', 'drop', 'no'],
                ['/with space', 'one', '410', null, null, null],
                ['/m', 'one', '301', '/t', 'drop', 'no'],
                ['/k', 'branch', '301', '/l', 'drop', 'yes'],
            ],
            self::good($rows),
        );
        self::assertSame([9, 10], array_keys(self::refused($rows)));
        self::assertStringContainsString('condition', self::refused($rows)[9]);
        self::assertStringContainsString('$server', self::refused($rows)[10]);
    }

    #[Test]
    public function an_apache_configuration_gives_its_redirects_and_says_which_cannot_be_read(): void
    {
        $rows = $this->rows(
            <<<'APACHE'
            RewriteEngine On
            RewriteCond %{QUERY_STRING} ^id=3$
            RewriteRule ^page\.php$ /three? [R=301,L]
            RewriteCond %{REQUEST_FILENAME} !-f
            RewriteRule ^articles/([^/]+)/?$ /a/$1 [R=302,NC,L]
            RewriteRule ^front$ index.php [L]
            RewriteCond %{HTTPS} off
            RewriteRule ^(.*)$ https://x.example/$1 [R=301]
            RewriteRule ^dead$ - [G]
            Redirect permanent "/two words" \
              /2
            Redirect 303 /see /other
            RedirectMatch 308 ^/img/(.*)\.gif$ /img/$1.png
            Redirect /plain https://x.example/p
            APACHE
            ,
        );
        self::assertSame(
            [
                ['/page.php?id=3', 'one', '301', '/three', 'match', 'no'],
                ['/articles/([^/]+)', 'pattern', '302', '/a/:0', 'carry', 'no'],
                ['/dead', 'one', '410', null, null, null],
                ['/two words', 'branch', '301', '/2', 'carry', 'yes'],
                ['/img/(.*).gif', 'pattern', '308', '/img/:0.png', 'carry', 'no'],
                ['/plain', 'branch', '302', 'https://x.example/p', 'carry', 'yes'],
            ],
            self::good($rows),
        );
        self::assertSame([8, 12], array_keys(self::refused($rows)));
        self::assertStringContainsString('%{HTTPS} off', self::refused($rows)[8]);
        self::assertStringContainsString('302', self::refused($rows)[12]);
    }

    #[Test]
    public function a_table_for_rewriting_and_a_plain_table_are_told_apart(): void
    {
        self::assertSame(
            [['/a', null, null, '/b', null, null], ['/c', null, null, 'https://x.example/', null, null]],
            self::good($this->rows("# old\n/a /b\n/c   https://x.example/\n")),
        );
        self::assertSame([['/a b', null, null, '/c', null, null]], self::good($this->rows("/a b,/c\n")));
    }

    #[Test]
    public function rules_kept_in_comments_are_read_whatever_stands_around_them(): void
    {
        $this->limitTo(100)
            ->forAll(Generators::seq(Generators::names()), Generators::choose(0, 5000))
            ->then(function (array $names, int $long): void {
                $rows = array_map(
                    static fn (string $name, int $n): array => ['address' => "/$n", 'note' => $name.str_repeat('x', $long)],
                    $names,
                    array_keys($names),
                );
                $text =
                    "map \$uri \$x { /a /b; }\n".
                    implode(
                        "Redirect /x /y\n",
                        array_map(static fn (array $row): string => KeptRules::written(json_encode($row, JSON_THROW_ON_ERROR)."\n"), $rows),
                    );
                $lines = array_map(strlen(...), explode("\n", $text));
                self::assertLessThan(4096, max($lines), 'A web server takes no longer line.');
                if ($rows !== []) {
                    self::assertSame($rows, array_map(static fn (string $row): array => json_decode($row, true), array_values(KeptRules::in($text))));
                    self::assertCount(count($rows), $this->rows($text));
                }
            });
    }

    /** @return list<array{int, array<string, string>}> */
    private function rows(string $text): array
    {
        $rows = [];
        foreach (RedirectFile::rows($text) as $line => $fields) {
            $rows[] = [$line, $fields];
        }

        return $rows;
    }

    /** @param  list<array{int, array<string, string>}>  $rows */
    private static function good(array $rows): array
    {
        return array_values(
            array_map(
                static fn (array $row): array => [
                    $row[1]['source'],
                    $row[1]['scope'] ?? null,
                    $row[1]['answer'] ?? null,
                    $row[1]['target'] ?? null,
                    $row[1]['query'] ?? null,
                    $row[1]['carriesRest'] ?? null,
                ],
                array_filter($rows, static fn (array $row): bool => ! isset($row[1]['refused'])),
            ),
        );
    }

    /** @param  list<array{int, array<string, string>}>  $rows */
    private static function refused(array $rows): array
    {
        return array_column(
            array_map(
                static fn (array $row): array => [$row[0], $row[1]['refused'] ?? null],
                array_filter($rows, static fn (array $row): bool => isset($row[1]['refused'])),
            ),
            1,
            0,
        );
    }
}
