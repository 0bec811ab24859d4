<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;

/** What a site says in fields of which its pages say nothing. */
final class FieldDefaultsTest extends AppTestCase
{
    private string $page;

    protected function setUp(): void
    {
        parent::setUp();
        $this->page = $this->live('To Skerra');
        $this->change(['kind' => 'describe', 'page' => $this->page, 'layout' => 'crossing']);
    }

    #[Test]
    public function pages_that_say_nothing_themselves_show_it_and_it_is_undone(): void
    {
        $this->set(['sails' => 'every weekday', 'fares' => [['name' => 'Adult', 'price' => '4,8']]])->assertStatus(201);
        self::assertStringContainsString('every weekday', $this->shown());
        self::assertStringContainsString('£4.80', $this->shown());
        self::assertSame(
            'every weekday',
            collect((array) $this->api('GET', "pages/{$this->page}")->json('layoutFields'))->firstWhere('key', 'sails')['fallback'],
        );
        $this->change(['kind' => 'describe', 'page' => $this->page, 'fields' => ['sails' => 'on Sundays']]);
        self::assertStringContainsString('on Sundays', $this->shown());
        self::assertStringNotContainsString('every weekday', $this->shown());
        $this->change(['kind' => 'describe', 'page' => $this->page, 'fields' => ['sails' => null]]);
        $done = $this->set(['sails' => 'twice a day', 'fares' => null])->json('id');
        self::assertStringContainsString('twice a day', $this->shown());
        self::assertStringContainsString('not settled yet', $this->shown());
        $this->api('POST', "history/$done/undo")->assertSuccessful();
        self::assertStringContainsString('every weekday', $this->shown());
        $layout = collect((array) $this->api('GET', 'layouts')->json('layouts'))->firstWhere('key', 'crossing');
        self::assertSame('every weekday', $layout['defaults']['sails']);
    }

    #[Test]
    public function what_does_not_fit_names_field_row_and_column(): void
    {
        foreach (
            [
                'fields.takes' => ['takes' => 'long'],
                'fields.speed' => ['speed' => 3],
                'fields.fares.1.price' => ['fares' => [['name' => 'Adult', 'price' => '4'], ['name' => 'Child', 'price' => 'much']]],
                'fields.from' => ['from' => ['page' => (string) Str::ulid()]],
            ] as $field => $fields
        ) {
            $this->set($fields)
                ->assertStatus(422)
                ->assertJsonPath('errors.0.field', "changes.0.$field");
        }
        $this->set(['sails' => 'daily'], 'poster')
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.layout');
    }

    #[Test]
    public function titles_that_name_the_field_follow_and_a_file_of_it_is_in_use(): void
    {
        $this->change(['kind' => 'set-site-search', 'layout' => 'crossing', 'titlePattern' => '{name}, {fields.sails}']);
        $this->set(['sails' => 'daily']);
        self::assertStringContainsString('<title>To Skerra, daily</title>', $this->shown());
        $file = $this->pictureFile('pier.png', 1200, 800);
        $this->set(['picture' => ['file' => $file, 'alt' => 'The pier']], 'harbour')->assertStatus(201);
        self::assertSame(['site'], array_column((array) $this->api('GET', "files/$file")->json('usedIn'), 'way'));
    }

    /** @param  array<string, mixed>  $fields */
    private function set(array $fields, string $layout = 'crossing'): \Illuminate\Testing\TestResponse
    {
        return $this->api('POST', 'batches', ['changes' => [['kind' => 'set-field-defaults', 'layout' => $layout, 'fields' => $fields]]]);
    }

    private function shown(): string
    {
        return (string) $this->visit('/to-skerra')->assertOk()->getContent();
    }
}
