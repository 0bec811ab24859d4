<?php

declare(strict_types=1);

namespace Tests\App;

use App\Jobs\AuditPages;
use App\Jobs\SendLetter;
use App\Jobs\TellEngines;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;

/** Work in the background that stopped by a fault, as owners see it. */
final class FailedJobsTest extends AppTestCase
{
    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->person('Greta', Role::OWNER);
        config(['queue.default' => 'database']);
    }

    #[Test]
    public function what_failed_of_a_site_is_listed_tried_again_and_let_go(): void
    {
        $other = Site::query()
            ->create(['key' => 'other', 'name' => 'Other', 'origin' => 'http://other.test'])
            ->refresh();
        $ours = $this->failed(new AuditPages($this->site->id), "RuntimeException: Nothing left on the disk in /srv/heronstem/app/X.php:7\n#0 trace");
        $letter = $this->failed(
            new SendLetter('mairi@skerrivane.example', 'About', []),
            'Illuminate\Database\QueryException: SQLSTATE[22021]: secret words (SQL: select)',
        );
        $this->failed(new AuditPages($other->id), 'RuntimeException: Theirs');
        $this->failed(null, 'RuntimeException: Of something that is gone');

        $listed = $this->api('GET', 'failed-jobs', as: $this->owner)->assertOk()->assertJsonCount(2, 'jobs');
        self::assertSame(['Sending a letter', 'Looking through pages for findings'], array_column($listed->json('jobs'), 'what'));
        self::assertSame(
            ['The database refused it (SQLSTATE 22021). The log says more.', 'Nothing left on the disk'],
            array_column($listed->json('jobs'), 'why'),
        );

        $this->api('POST', "failed-jobs/$ours/again", as: $this->owner)->assertNoContent();
        self::assertSame(0, DB::table('failed_jobs')->where('uuid', $ours)->count(), 'It waits to be tried again.');
        $this->api('DELETE', "failed-jobs/$letter", as: $this->owner)->assertNoContent();
        $this->api('GET', 'failed-jobs', as: $this->owner)->assertJsonCount(0, 'jobs');
        $this->api('POST', "failed-jobs/$letter/again", as: $this->owner)->assertNotFound();
        self::assertSame(2, DB::table('failed_jobs')->count(), 'What others have is left to them.');
    }

    #[Test]
    public function a_job_that_fails_comes_to_be_listed(): void
    {
        $payload = json_encode(['data' => ['command' => serialize(new TellEngines())], 'uuid' => (string) Str::uuid()], JSON_THROW_ON_ERROR);
        $this->app->make('queue.failer')->log('database', 'default', $payload, new \RuntimeException('Not reached'));
        $this->api('GET', 'failed-jobs', as: $this->owner)
            ->assertJsonPath('jobs.0.what', 'Telling search engines of changes')
            ->assertJsonPath('jobs.0.why', 'Not reached');
    }

    private function failed(?object $job, string $exception): string
    {
        $id = (string) Str::uuid();
        $payload = [
            'uuid' => $id,
            'displayName' => $job === null ? 'Gone' : $job::class,
            'job' => 'Illuminate\Queue\CallQueuedHandler@call',
            'data' => ['commandName' => $job === null ? 'Gone' : $job::class, 'command' => $job === null ? 'O:4:"Gone":0:{}' : serialize($job)],
        ];
        DB::table('failed_jobs')->insert([
            'uuid' => $id,
            'connection' => 'database',
            'queue' => 'default',
            'payload' => json_encode($payload),
            'exception' => $exception,
        ]);

        return $id;
    }
}
