<?php

declare(strict_types=1);

require __DIR__.'/../vendor/autoload.php';

// Each of the workers that run beside each other has a database and a storage of its own; those that run errands a whole demo.
$worker = getenv('TEST_TOKEN');
if (is_string($worker) && $worker !== '') {
    $errands = getenv("ERRANDS_$worker");
    $storage = getenv('HERONSTEM_STORAGE');
    $own = ['DB_DATABASE' => "heronstem_test_$worker"];
    if (is_string($storage) && $storage !== '' && ! is_string($errands)) {
        // What one notes in files, the other does not count.
        $own['HERONSTEM_STORAGE'] = "$storage/worker-$worker";
        foreach (['app/hits', 'app/private', 'framework/views', 'framework/cache/data', 'framework/sessions', 'logs'] as $folder) {
            @mkdir("{$own['HERONSTEM_STORAGE']}/$folder", 0750, true);
        }
    }
    foreach (is_string($errands) && $errands !== '' ? json_decode($errands, true, flags: JSON_THROW_ON_ERROR) : $own as $name => $value) {
        $_SERVER[$name] = $_ENV[$name] = $value;
        putenv("$name=$value");
    }
}
