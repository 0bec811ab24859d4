<?php

declare(strict_types=1);

namespace Tests\App;

use Heronstem\Core\Access\Role;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;

/** The addresses of a site as they are listed: narrowed, in pieces, in order, and only for who may see them. */
final class AddressesApiTest extends AppTestCase
{
    #[Test]
    public function they_are_found_by_any_part_of_an_address_a_note_or_the_name_of_the_page_whatever_its_case(): void
    {
        $fares = $this->live('Fahrpreise für Hunde');
        $this->redirect(['source' => '/Möwe', 'leadsTo' => ['page' => $fares], 'note' => 'Plakat am Kai']);
        $this->redirect(['scope' => 'pattern', 'source' => '/Alt/:Jahr', 'leadsTo' => ['url' => 'https://x.example/']]);
        $this->draft('Entwurf');
        $found = fn (string $text): array => array_column(
            $this->api('GET', 'addresses?text='.rawurlencode($text))
                ->assertOk()
                ->json('rows'),
            'address',
        );
        self::assertSame(['/Möwe'], $found('MÖWE'));
        self::assertSame(['/Möwe'], $found('plakat'));
        self::assertSame(['/fahrpreise-fur-hunde'], array_values(array_diff($found('für h'), ['/Möwe'])));
        self::assertSame(['/Alt/:Jahr'], $found('alt/:jahr'));
        self::assertSame(['/entwurf'], $found('entwurf'));
        self::assertSame([], $found('100%'));
        self::assertSame([], $found('_'.'_x'));
    }

    #[Test]
    public function a_long_list_comes_in_pieces_that_together_are_all_of_it_in_order(): void
    {
        $page = $this->live('Fares');
        foreach (array_chunk(range(1, 230), 115) as $piece) {
            $this->change(
                ...array_map(
                    static fn (int $n): array => [
                        'kind' => 'make-redirect',
                        'redirect' => (string) Str::ulid(),
                        'source' => sprintf('/old/%03d', $n),
                        'leadsTo' => ['page' => $page],
                    ],
                    $piece,
                ),
            );
        }
        $addresses = [];
        for ($offset = 0; $offset < 230; $offset += 100) {
            $piece = $this->api('GET', "addresses?kind=one&offset=$offset")
                ->assertOk()
                ->assertJsonPath('total', 230)
                ->assertJsonPath('offset', $offset)
                ->json('rows');
            array_push($addresses, ...array_column($piece, 'address'));
        }
        self::assertSame(array_map(static fn (int $n): string => sprintf('/old/%03d', $n), range(1, 230)), $addresses);
        $this->api('GET', 'addresses?kind=one&offset=500')
            ->assertJsonPath('total', 230)
            ->assertJsonPath('rows', [])
            ->assertJsonPath('counts.one', 230);
    }

    #[Test]
    public function patterns_on_their_own_stand_as_they_are_tried_and_are_put_into_another_order(): void
    {
        $ids = array_map(
            fn (string $name): string => $this->redirect([
                'scope' => 'pattern',
                'source' => "/$name/:x",
                'leadsTo' => ['url' => "https://x.example/$name"],
            ]),
            ['c', 'a', 'b'],
        );
        $order = fn (): array => array_column($this->api('GET', 'addresses?kind=pattern')->json('rows'), 'address');
        self::assertSame(['/c/:x', '/a/:x', '/b/:x'], $order());
        $entry = $this->change(['kind' => 'order-patterns', 'redirects' => [$ids[2], $ids[0]]]);
        self::assertSame(['/b/:x', '/c/:x', '/a/:x'], $order());
        $this->api('POST', "history/{$entry->ulid}/undo")->assertCreated();
        self::assertSame(['/c/:x', '/a/:x', '/b/:x'], $order());
    }

    /** @return iterable<string, array{string, string}> */
    public static function readings(): iterable
    {
        yield 'the list' => ['GET', 'addresses'];
        yield 'what is below' => ['GET', 'addresses/below?address=/'];
        yield 'trying one' => ['POST', 'addresses/tried'];
        yield 'what was probably meant' => ['GET', 'addresses/near?address=/x'];
        yield 'a missed one' => ['GET', 'addresses/missed?address=/x'];
        yield 'the findings' => ['GET', 'redirect-findings'];
        yield 'a file' => ['GET', 'redirects-export?format=apache-rules'];
        yield 'what a file cannot carry' => ['GET', 'redirects-not-carried?server=nginx'];
    }

    #[Test, DataProvider('readings')]
    public function whoever_reads_the_site_sees_them_and_nobody_else(string $method, string $path): void
    {
        $reader = $this->person('Ruaridh', Role::READER);
        $stranger = \App\Models\User::query()->create(['name' => 'Nobody', 'email' => 'nobody@skerrivane.example', 'password' => 'nothing']);
        $this->api($method, $path, ['text' => '/a'], $reader)->assertOk();
        $this->api($method, $path, ['text' => '/a'], $stranger)->assertForbidden();
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function mistakes(): iterable
    {
        yield 'an import of nothing' => ['redirects-import', [], 'text'];
        yield 'an import that is to make what' => ['redirects-import', ['text' => '/a,/b', 'make' => 'some'], 'make'];
        yield 'a match of nothing' => ['redirects-match', ['text' => ''], 'text'];
        yield 'what is settled is no list' => ['redirects-match', ['text' => '/x', 'settled' => 'all'], 'settled'];
        yield 'a settled row without its page' => ['redirects-match', ['text' => '/x', 'settled' => [['old' => '/x']]], 'settled.0.page'];
        yield 'a settled row that is no text' => [
            'redirects-match',
            ['text' => '/x', 'settled' => [['old' => ['/x'], 'page' => 'p']]],
            'settled.0.old',
        ];
        yield 'ignoring what nobody missed' => ['addresses/ignored', ['address' => '/never'], 'address'];
    }

    /** @param  array<string, mixed>  $body */
    #[Test, DataProvider('mistakes')]
    public function what_is_wrong_is_said_with_its_field(string $path, array $body, string $field): void
    {
        self::assertSame([$field], array_column($this->api('POST', $path, $body)->assertStatus(422)->json('errors'), 'field'));
    }

    #[Test]
    public function rows_that_are_settled_are_as_somebody_said_and_a_page_of_elsewhere_settles_nothing(): void
    {
        $fares = $this->live('Fares');
        $match = fn (array $settled): array => $this->api('POST', 'redirects-match', ['text' => "/zzqx/klompik\n/zzqx/vlaad", 'settled' => $settled])
            ->assertOk()
            ->json();
        self::assertNull($match([])[0]['page']);
        self::assertSame($fares, $match([['old' => '/zzqx/klompik', 'page' => $fares]])[0]['page']['id']);
        self::assertNull($match([['old' => '/zzqx/klompik', 'page' => '01J000000000000000000000ZZ']])[0]['page']);
    }

    #[Test]
    public function a_redirect_that_is_not_there_is_said_to_be_gone(): void
    {
        $this->api('GET', 'redirects/01J000000000000000000000ZZ')->assertNotFound();
    }
}
