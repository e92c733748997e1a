<?php

declare(strict_types=1);

/* Signs in to the demo at argv[1] and sends the file argv[2] as a report of its first lab; ends with 0 when it was taken. */
require __DIR__.'/../../vendor/autoload.php';

use Tests\Support\HttpPerson;

[, $address, $file] = $argv;
$person = new HttpPerson($address, 120);
$person->signIn('maren@demo.example');
[$status] = $person->ask('POST', '/api/reports', [
    'file' => new CURLFile($file, 'text/csv', basename($file).'.csv'),
    'lab_id' => '1',
    'read_on' => '2026-11-20',
]);
exit($status === 201 || $status === 200 ? 0 : 1);
