<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\SQLiteConnection;

/**
 * SQLite transactions that take the write lock at their start.
 *
 * A deferred transaction that reads and then writes fails with "database is locked" when another writer came
 * between, whatever the busy timeout. PDO of PHP 8.2 can only begin deferred ones, so the transaction it has
 * opened is exchanged for an immediate one.
 */
final class ImmediateSQLiteConnection extends SQLiteConnection
{
    protected function executeBeginTransactionStatement(): void
    {
        $pdo = $this->getPdo();
        $pdo->beginTransaction();
        try {
            $pdo->exec('COMMIT; BEGIN IMMEDIATE');
        } catch (\Throwable $error) {
            $pdo->exec('BEGIN');
            $pdo->rollBack();

            throw $error;
        }
    }
}
