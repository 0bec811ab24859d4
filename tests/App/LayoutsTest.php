<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Audit\AuditSite;
use App\Desk\Design\ReadLayouts;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\View;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;

final class LayoutsTest extends AppTestCase
{
    #[Test]
    public function fares_are_filled_in_as_rows_and_their_sentence_stands_while_there_are_none(): void
    {
        $page = $this->crossing();
        self::assertStringContainsString('not settled yet', $this->shown());
        $this->fill($page, ['fares' => [['name' => 'Adult', 'price' => '4,8', 'note' => '<b>']]])
            ->assertOk()
            ->assertJsonPath('fields.fares.0.price', '4.80');
        self::assertStringContainsString('not settled yet', $this->shown(), 'It waits to be published.');
        $this->change(['kind' => 'publish', 'page' => $page]);
        $html = $this->shown();
        self::assertStringNotContainsString('not settled yet', $html);
        self::assertMatchesRegularExpression('#<th scope="row">Adult</th>\s*<td class="number">£4\.80</td>\s*<td class="">&lt;b&gt;</td>#', $html);
        self::assertStringContainsString(
            '"offers":[{"@type":"Offer","name":"Adult","price":"4.80","priceCurrency":"GBP","description":"\u003Cb\u003E"}]',
            $html,
        );
    }

    #[Test]
    public function a_value_that_does_not_fit_names_field_row_and_column_and_nothing_is_saved(): void
    {
        $page = $this->crossing();
        $this->fill($page, ['takes' => 40, 'fares' => [['name' => 'Adult', 'price' => '1'], ['name' => 'Child', 'price' => 'much']]])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'fields.fares.1.price');
        $this->fill($page, ['from' => ['page' => (string) Str::ulid()]])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'fields.from');
        $this->fill($page, ['speed' => 3])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'fields.speed');
        $this->api('PATCH', "pages/$page", ['fields' => 'x'], headers: ['If-Match' => '*'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'fields');
        self::assertSame('{}', $this->row($page)->workingTexts()->fields->toText());
    }

    #[Test]
    public function a_picture_that_is_too_small_for_its_field_is_refused(): void
    {
        $page = $this->live('Skerra harbour');
        $this->change(['kind' => 'describe', 'page' => $page, 'layout' => 'harbour']);
        foreach ([[600, 422], [640, 200]] as [$width, $status]) {
            $file = $this->pictureFile('pier.png', $width, 400);
            $answer = $this->fill($page, ['picture' => ['file' => $file, 'alt' => 'The pier']]);
            self::assertSame($status, $answer->getStatusCode(), (string) $answer->getContent());
        }
        self::assertCount(1, $this->row($page)->workingTexts()->fields->files());
    }

    #[Test]
    public function another_layout_keeps_what_has_no_place_and_gives_it_back(): void
    {
        $page = $this->crossing();
        $this->fill($page, ['takes' => 35, 'sails' => 'daily'])->assertOk();
        $this->api('PATCH', "pages/$page", ['layout' => 'page'], headers: ['If-Match' => '*'])
            ->assertOk()
            ->assertJsonPath('fields', [])
            ->assertJsonPath('kept.crossing', 2);
        $this->api('PATCH', "pages/$page", ['layout' => 'crossing'], headers: ['If-Match' => '*'])
            ->assertOk()
            ->assertJsonPath('fields.takes', 35)
            ->assertJsonPath('kept', []);
        $draft = $this->draft('Draft');
        $this->api('PATCH', "pages/$draft", ['layout' => 'crossing', 'fields' => ['takes' => 20]], headers: ['If-Match' => '*'])->assertOk();
        $this->api('PATCH', "pages/$draft", ['layout' => 'boat'], headers: ['If-Match' => '*'])
            ->assertOk()
            ->assertJsonPath('kept.crossing', 1);
    }

    #[Test]
    public function fields_count_as_links_and_are_found_by_the_sites_own_search_once_visitors_get_them(): void
    {
        $harbour = $this->live('Port Hallin');
        $page = $this->draft('To Skerra');
        $this->change([
            'kind' => 'describe',
            'page' => $page,
            'layout' => 'crossing',
            'fields' => ['from' => ['page' => $harbour], 'sails' => 'gannetwise'],
        ]);
        self::assertSame(0, DB::table('links')->count());
        $live = $this->change(['kind' => 'go-live', 'page' => $page]);
        self::assertSame(1, DB::table('links')->count());
        $this->app->make(AuditSite::class)->run($this->site->refresh());
        self::assertStringContainsString(
            'To Skerra',
            (string) $this->call('GET', 'http://ferries.test/_search?q=gannetwise', server: ['REQUEST_URI' => '/_search?q=gannetwise'])->getContent(),
        );
        $this->api('POST', "history/{$live->ulid}/undo")->assertCreated();
        self::assertSame(0, DB::table('links')->count());
    }

    #[Test]
    public function the_fields_of_all_pages_of_a_layout_go_out_as_a_table_and_come_in_with_a_word_on_every_row(): void
    {
        $page = $this->crossing();
        $other = $this->live('Port Hallin');
        $this->change(['kind' => 'describe', 'page' => $page, 'fields' => ['takes' => 35, 'fares' => [['name' => 'Adult', 'price' => '4.80']]]]);
        $this->api('GET', 'layouts/crossing/pages')->assertOk()->assertJsonPath('0.fields.takes', 35)->assertJsonCount(1);
        $this->api('GET', 'layouts/none/pages')->assertNotFound();
        $csv = $this->api('GET', 'layouts/crossing/export')->assertOk()->streamedContent();
        self::assertStringContainsString("$page,/to-skerra,,,35,,,,Adult | 4.80\r\n", $csv);
        $read = fn (string $text) => $this->api('POST', 'layouts/crossing/import', ['text' => $text])->assertOk();
        $read($csv)->assertJsonPath('same', 1)->assertJsonPath('pages', 0);
        $tried = $read(
            "address,fields.from,fields.takes,fields.fares\n/to-skerra,/port-hallin,40,\n/port-hallin,,1,\n/nowhere,,1,\n/to-skerra,,much,\n",
        )
            ->assertJsonPath('pages', 1)
            ->assertJsonPath('refused', 3);
        self::assertSame([null, 'row', 'address', 'fields.takes'], array_column((array) $tried->json('rows'), 'field'));
        $this->api('POST', 'batches', ['changes' => $tried->json('changes')])->assertCreated();
        self::assertSame(
            ['from' => ['page' => $other], 'takes' => 40],
            array_intersect_key($this->row($page)->liveTexts()->fields->values, ['from' => 1, 'takes' => 1, 'fares' => 1]),
        );
    }

    #[Test]
    public function who_writes_a_branch_fills_in_its_fields_and_no_others(): void
    {
        $islands = $this->live('Islands');
        $page = $this->draft('Skerra', $islands);
        $writer = $this->person('Tam', Role::WRITER, $islands);
        $this->api('PATCH', "pages/$page", ['layout' => 'boat', 'fields' => ['people' => 40]], $writer, ['If-Match' => '*'])->assertOk();
        $this->api('PATCH', 'pages/'.$this->draft('Elsewhere'), ['fields' => ['people' => 40]], $writer, ['If-Match' => '*'])->assertForbidden();
    }

    #[Test]
    public function a_layout_is_a_folder_and_a_faulty_one_says_what_is_wrong_where(): void
    {
        $design = sys_get_temp_dir().'/heronstem-design-'.Str::random(8);
        foreach (
            [
                'page' => [self::schema(), "@extends('site.page')"],
                'notice' => [
                    self::schema('"until": {"$ref": "urn:heronstem:field:date", "title": "Until"}'),
                    "@extends('site.page')\n@section('below')<p class=\"until\">{{ \$fields->show('until') }}</p>@endsection",
                ],
                'broken' => [self::schema('"a": {"$ref": "urn:heronstem:field:date"}'), "@extends('site.page')"],
                'slip' => [self::schema(), '@if ( <p>'],
                'stray' => ['{"title": "S", "description": "D", "fieldsFrom": "notice"}', "@extends('site.page')"],
                'asks' => [self::schema(), "@extends('site.page')\n@section('below'){{ \$fields->show('nothing') }}@endsection"],
            ] as $folder => [$fields, $template]
        ) {
            mkdir("$design/layouts/$folder", 0777, true);
            file_put_contents("$design/layouts/$folder/fields.json", $fields);
            file_put_contents("$design/layouts/$folder/page.blade.php", $template);
        }
        mkdir("$design/layouts/empty");
        config(['heronstem.design' => $design]);
        View::replaceNamespace('layout', "$design/layouts");
        $this->app->forgetInstance(ReadLayouts::class);
        $answer = $this->api('GET', 'layouts')->assertOk();
        self::assertSame(['page', 'asks', 'notice', 'slip', 'stray'], array_column($answer->json('layouts'), 'key'));
        self::assertSame(
            ['broken/fields.json, properties.a.title', 'empty/fields.json', 'slip/page.blade.php', 'stray/fields.json, fieldsFrom'],
            array_column($answer->json('faults'), 'where'),
        );
        $page = $this->live('Ice');
        $this->change(['kind' => 'describe', 'page' => $page, 'layout' => 'notice', 'fields' => ['until' => '2027-05-31']]);
        self::assertStringContainsString('<p class="until">31 May 2027</p>', (string) $this->get('http://ferries.test/ice')->getContent());
        // A template that fails costs what the layout adds, not the page.
        $this->change(['kind' => 'describe', 'page' => $page, 'layout' => 'asks']);
        $this->get('http://ferries.test/ice')->assertOk()->assertSee('<h1>Ice</h1>', false);
    }

    private static function schema(string $properties = ''): string
    {
        return "{\"title\": \"T\", \"description\": \"D\", \"properties\": {{$properties}}}";
    }

    private function crossing(): string
    {
        $page = $this->live('To Skerra');
        $this->change(['kind' => 'describe', 'page' => $page, 'layout' => 'crossing']);

        return $page;
    }

    private function shown(): string
    {
        return (string) $this->get('http://ferries.test/to-skerra')->assertOk()->getContent();
    }

    /** @param  array<string, mixed>  $fields */
    private function fill(string $page, array $fields): \Illuminate\Testing\TestResponse
    {
        return $this->api('PATCH', "pages/$page", ['fields' => $fields], headers: ['If-Match' => '*']);
    }
}
