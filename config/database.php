<?php

declare(strict_types=1);

return [
    'default' => 'sqlite',
    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE', database_path('honest-core.sqlite')),
            'prefix' => '',
            'foreign_key_constraints' => true,
            // A team that comes out of an archive holds the write lock until it is whole; others wait rather than fail.
            'busy_timeout' => 30000,
            'journal_mode' => 'WAL',
            // What was acknowledged is on the disk, whatever becomes of the power.
            'synchronous' => 'FULL',
            // A row that is replaced counts as deleted, so that what is written once cannot be replaced either.
            'pragmas' => ['recursive_triggers' => 'on'],
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
