<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Files\UploadFile;
use App\Desk\MakeSite;
use App\Models\File;
use App\Models\Page;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Access\Role;
use PHPUnit\Framework\Attributes\Test;

/** A branch moved to another site: with its content and files, and with every address that it had leading there. */
final class MoveBranchTest extends AppTestCase
{
    private User $owner;

    private Site $yard;

    private string $travel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->person('Greta', Role::OWNER);
        $this->yard = $this->app->make(MakeSite::class)->make('yard', 'Yard', 'http://yard.test', 'en-GB', 'UTC', null, $this->owner);
        $this->travel = $this->live('Travel');
        $fares = $this->live('Fares', $this->travel);
        ob_start();
        imagepng(imagecreatetruecolor(60, 40) ?: throw new \LogicException('There is no picture.'));
        $picture = $this->app->make(UploadFile::class)->upload($this->site, $this->owner, 'pier.png', (string) ob_get_clean())->ulid;
        $this->saveContent($fares, [['type' => 'picture', 'attrs' => ['file' => $picture, 'alt' => 'The pier', 'decorative' => false, 'caption' => '', 'align' => 'centre', 'width' => 100]]]);
        $this->change(['kind' => 'publish', 'page' => $fares]);
        $this->change(['kind' => 'add-address', 'page' => $fares, 'address' => '/poster', 'answer' => 'send-on']);
    }

    #[Test]
    public function a_branch_moves_with_its_files_and_its_addresses_send_on_across(): void
    {
        $look = $this->api('POST', "pages/{$this->travel}/to-site-ripple", ['to' => 'yard'], $this->owner)->assertOk()->json();
        self::assertSame(0, Page::query()->where('site_id', $this->yard->id)->count());
        $this->api('POST', "pages/{$this->travel}/to-site", ['to' => 'yard', 'import' => $look['import'], 'digests' => [$look['there']['digest'], $look['here']['digest']]], $this->owner)->assertCreated();

        $this->visit('/travel')->assertRedirect('http://yard.test/travel');
        $this->visit('/travel/fares')->assertRedirect('http://yard.test/travel/fares');
        $this->visit('/poster')->assertRedirect('http://yard.test/travel/fares');
        $there = $this->call('GET', 'http://yard.test/travel/fares', server: ['REQUEST_URI' => '/travel/fares'])->assertOk();
        $file = File::query()->where('site_id', $this->yard->id)->firstOrFail();
        self::assertStringContainsString("/_files/{$file->ulid}/", (string) $there->getContent());
        $this->assertInvariants();
        self::assertSame([], $this->app->make(\App\Store\Violations::class)->of($this->yard->refresh()));
    }

    #[Test]
    public function where_one_of_both_is_refused_neither_is_made(): void
    {
        $look = $this->api('POST', "pages/{$this->travel}/to-site-ripple", ['to' => 'yard'], $this->owner)->assertOk()->json();
        $this->change(['kind' => 'rename', 'page' => $this->travel, 'name' => 'Getting there']);
        $this->live('Later', $this->travel);
        $this->api('POST', "pages/{$this->travel}/to-site", ['to' => 'yard', 'import' => $look['import'], 'digests' => [$look['there']['digest'], $look['here']['digest']]], $this->owner)->assertConflict();

        self::assertSame(0, Page::query()->where('site_id', $this->yard->id)->count());
        $this->visit('/travel')->assertOk();
    }

    #[Test]
    public function nobody_moves_a_branch_to_a_site_that_they_make_no_pages_on(): void
    {
        $this->api('POST', "pages/{$this->travel}/to-site-ripple", ['to' => 'yard'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'to');
        $this->api('POST', "pages/{$this->travel}/to-site-ripple", ['to' => 'ferries'], $this->owner)->assertUnprocessable();
        $this->api('POST', "pages/{$this->travel}/to-site-ripple", ['to' => 'yard', 'under' => '/nowhere'], $this->owner)->assertUnprocessable()->assertJsonPath('errors.0.field', 'under');
    }
}
