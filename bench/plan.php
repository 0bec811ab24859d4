<?php

declare(strict_types=1);

use App\Desk\ApplyChanges;
use App\Desk\PlanFor;
use App\Desk\Plans\KeepPlans;
use App\Desk\Plans\ReviewPlan;
use App\Desk\Rights;
use App\Models\User;
use Bench\Branches;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Support\Facades\DB;

// A plan of 1,000 changes against the same as one batch, and the same plan laid over 200 later changes.
$app = require __DIR__.'/boot.inc';
require __DIR__.'/Branches.inc';
$site = Branches::of(10000);
$owner = User::query()->firstOrFail();
$rights = Rights::of(Authority::Owner);
$pages = array_column(DB::select("select ulid, name from pages where site_id = ? and state = 'live' order by id desc limit 1200", [$site->id]), 'name', 'ulid');
$renames = array_map(static fn (string $id, int $n): Rename => new Rename($id, PageName::of("Other $n")), array_keys($pages), range(1, count($pages)));
$plan = $app->make(KeepPlans::class)->make($site, $owner, 'Bench', '');
foreach (array_chunk(array_slice($renames, 0, 1000), 100) as $n => $changes) {
    $plan->steps()->create(['user_id' => $owner->id, 'sentence' => "Step $n", 'created_at' => now(), 'changes' => array_map(static fn (Rename $change): array => $change->toArray(), $changes)]);
}
$review = $app->make(ReviewPlan::class);
$batch = new Batch(array_slice($renames, 0, 1000), Decisions::elseDefaults());
$ours = $base = [];
for ($round = 0; $round < 5; $round++) {
    $ours[] = Branches::time(static fn () => $review->of($plan->refresh(), $rights))[0];
    $base[] = Branches::time(static fn () => $app->make(PlanFor::class)->preview($site, $batch, $rights))[0];
}
sort($ours);
sort($base);
printf("plan of 1,000 changes: ripple %.2f s, the same as a batch %.2f s, ratio %.2f; peak %.0f MB\n", $ours[2], $base[2], $ours[2] / $base[2], memory_get_peak_usage() / 1048576);
foreach (array_slice($renames, 900, 200) as $change) {
    $meanwhile = new Batch([new Rename($change->page, PageName::of('Meanwhile '.$change->page))], Decisions::elseDefaults());
    $app->make(ApplyChanges::class)->apply($site, $owner, $meanwhile, rights: $rights);
}
$rebased = Branches::time(static function () use ($review, $plan, $rights, &$laid): void {
    $laid = $review->of($plan->refresh(), $rights);
})[0];
printf("plan laid over 200 later changes, 100 of them to the same pages: %.2f s, %d refused\n", $rebased, count($laid->refused));
$plan->delete();
