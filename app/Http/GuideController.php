<?php

declare(strict_types=1);

namespace App\Http;

use App\Desk\MarkdownToHtml;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The guide for web managers, a page a task, as it lies in docs/guide/tasks: read beside the screen where the task is done. */
final readonly class GuideController
{
    /** The tasks in the order in which they are listed. */
    private const TASKS = [
        'make-a-page',
        'labels',
        'move',
        'duplicate',
        'retire',
        'history',
        'main-menu',
        'front-page',
        'start-page',
        'poster',
        'offer-ended',
        'old-addresses',
        'search-texts',
        'reach',
    ];

    public function __construct(private MarkdownToHtml $markdown)
    {
    }

    public function show(string $task): Response
    {
        if (! in_array($task, self::TASKS, true)) {
            throw new NotFoundHttpException('There is no such page in the guide.');
        }
        $html = $this->markdown->html($this->text($task));

        return new Response(
            view('guide', [
                'tasks' => array_combine(self::TASKS, array_map($this->title(...), self::TASKS)),
                'task' => $task,
                'html' => str_replace(
                    ['href="../README.md', 'src="../../screenshots/'],
                    ['data-href="../README.md', 'src="/guide/pictures/'],
                    (string) preg_replace('#href="([a-z-]+)\.md"#', 'href="/guide/$1"', $html),
                ),
            ])->render(),
        );
    }

    public function picture(string $name): BinaryFileResponse
    {
        $file = base_path("docs/screenshots/$name.png");

        return is_file($file) ? new BinaryFileResponse($file) : throw new NotFoundHttpException('There is no such picture in the guide.');
    }

    private function title(string $task): string
    {
        return substr((string) strtok($this->text($task), "\n"), 2);
    }

    private function text(string $task): string
    {
        return (string) file_get_contents(base_path("docs/guide/tasks/$task.md"));
    }
}
