<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\User;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;

final class CodeTest extends AppTestCase
{
    private const SCRIPT = '<script>let boats = 6</script>';

    private string $page;

    private User $greta;

    protected function setUp(): void
    {
        parent::setUp();
        $this->page = $this->live('Fares');
        $this->live('Help');
        $this->greta = $this->person('Greta', Role::OWNER);
    }

    #[Test]
    public function a_page_has_styles_and_head_lines_and_the_policy_opens_for_them_alone(): void
    {
        $plain = (string) $this->visit('/fares')->headers->get('Content-Security-Policy');
        $this->set(['styles' => 'h1 { color: teal }', 'head' => self::SCRIPT.'<script src="https://count.example/js?x=1"></script>'])->assertStatus(
            201,
        );
        $page = $this->visit('/fares');
        $html = (string) $page->getContent();
        $policy = (string) $page->headers->get('Content-Security-Policy');
        self::assertStringContainsString('<style>#site-content h1{color:teal}</style>', $html);
        self::assertStringContainsString(self::SCRIPT, $html);
        $hash = static fn (string $text): string => "'sha256-".base64_encode(hash('sha256', $text, true))."'";
        self::assertStringContainsString("style-src 'self' ".$hash('#site-content h1{color:teal}').';', $policy);
        self::assertStringContainsString("script-src 'self' ".$hash('let boats = 6').' https://count.example/js;', $policy);
        self::assertStringContainsString("connect-src 'self' https://count.example;", $policy);
        self::assertStringNotContainsString('unsafe', $policy);
        self::assertSame($plain, $this->visit('/help')->headers->get('Content-Security-Policy'), 'Other pages stay as strict as they were.');
        // Without its code it is what it was.
        $this->set(['styles' => '', 'head' => ''])->assertStatus(201);
        self::assertSame($plain, $this->visit('/fares')->headers->get('Content-Security-Policy'));
    }

    #[Test]
    public function head_lines_of_the_site_stand_on_every_page(): void
    {
        $this->api(
            'POST',
            'batches',
            ['changes' => [['kind' => 'set-site-head', 'head' => '<meta name="verify" content="k3">']]],
            $this->greta,
        )->assertStatus(201);
        foreach (['/fares', '/help'] as $address) {
            self::assertStringContainsString('<meta name="verify" content="k3">', (string) $this->visit($address)->getContent());
        }
        $this->api('GET', 'head')->assertOk()->assertJsonPath('head', '<meta name="verify" content="k3">');
    }

    #[Test]
    public function only_the_owner_writes_it_by_whatever_way(): void
    {
        $this->set(['head' => self::SCRIPT], $this->manager)->assertForbidden();
        $this->api('POST', 'batches', ['changes' => [['kind' => 'set-site-head', 'head' => self::SCRIPT]]])->assertForbidden();
        $first = $this->set(['head' => self::SCRIPT])->json('id');
        $second = $this->set(['head' => ''])->json('id');
        // Undoing would bring the script back: an owner's to do, as writing it was.
        $this->api('POST', "history/$second/undo")->assertForbidden();
        $this->api('POST', "history/$second/undo", as: $this->greta)->assertSuccessful();
        $this->api('POST', "history/$first/undo")->assertForbidden();
        // A copy that somebody else makes has none.
        $copy = (string) Str::ulid();
        $this->change(['kind' => 'duplicate', 'page' => $this->page, 'copy' => $copy]);
        $this->api('GET', "pages/$copy/code")
            ->assertOk()
            ->assertJsonPath('head', '');
        $point = $this->api('POST', 'starting-points', ['name' => 'With code', 'page' => $this->page])->json('id');
        $made = (string) Str::ulid();
        $this->change(['kind' => 'make-from', 'page' => $made, 'from' => $point, 'name' => 'Made', 'place' => ['last' => null]]);
        $this->api('GET', "pages/$made/code")->assertJsonPath('head', '');
        // Everybody sees that it is there.
        $this->api('GET', "pages/{$this->page}")->assertJsonPath('code', ['head']);
        // What a manager does with the page otherwise leaves it.
        $this->change(['kind' => 'rename', 'page' => $this->page, 'name' => 'Prices']);
        self::assertStringContainsString(self::SCRIPT, (string) $this->visit('/fares')->getContent());
    }

    #[Test]
    public function what_is_wrong_is_said_while_it_is_typed_and_when_it_is_saved(): void
    {
        $read = $this->api('POST', 'code-read', ['styles' => '.a {', 'head' => self::SCRIPT])->assertOk();
        self::assertSame(['styles'], array_column((array) $read->json('problems'), 'field'));
        self::assertSame(['A script written here runs, 13 characters long.'], $read->json('allows'));
        $this->set(['styles' => '.a { background: url(https://elsewhere.example/x) }'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.styles');
        $this->set(['head' => '<p>x</p>'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.head');
    }

    /** @param  array<string, string>  $code */
    private function set(array $code, ?User $as = null): TestResponse
    {
        return $this->api('POST', 'batches', ['changes' => [['kind' => 'set-code', 'page' => $this->page, ...$code]]], $as ?? $this->greta);
    }
}
