<?php

declare(strict_types=1);

// What a redirect is measured against: a script that reads one row by its primary key and sends on.
$settings = include $_SERVER['APP_CONFIG_CACHE'];
$of = $settings['database']['connections']['pgsql'];
$pdo = new PDO("pgsql:host={$of['host']};port={$of['port']};dbname={$of['database']}", $of['username'], $of['password'], [PDO::ATTR_PERSISTENT => true]);
$read = $pdo->prepare('select address from ledger where id = ?');
$read->execute([(int) ($_GET['id'] ?? 1)]);
header('Location: '.$read->fetchColumn(), true, 301);
