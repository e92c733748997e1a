<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Connection;
use Illuminate\Database\Migrations\Migrator;

/**
 * Runs each migration and writes down that it ran in one transaction: an upgrade that is cut off is as if the
 * migration had not begun, and goes on from there.
 */
final class WholeMigrator extends Migrator
{
    /**
     * @param string $file
     * @param int $batch
     * @param bool $pretend
     */
    protected function runUp($file, $batch, $pretend): void
    {
        $this->whole($pretend, fn () => parent::runUp($file, $batch, $pretend));
    }

    /**
     * @param string $file
     * @param object $migration
     * @param bool $pretend
     */
    protected function runDown($file, $migration, $pretend): void
    {
        $this->whole($pretend, fn () => parent::runDown($file, $migration, $pretend));
    }

    /** Tables are built anew while keys are not looked at; they are looked at before it is kept. */
    private function whole(bool $pretend, \Closure $run): void
    {
        $connection = $this->resolveConnection($this->getConnection());
        if ($pretend || ! $connection instanceof Connection || $connection->transactionLevel() > 0) {
            $run();

            return;
        }
        $connection->statement('PRAGMA foreign_keys = off');
        try {
            $connection->transaction(static function () use ($connection, $run): void {
                $run();
                $lost = $connection->select('PRAGMA foreign_key_check');
                if ($lost !== []) {
                    throw new \RuntimeException(
                        'The migration would leave rows that name others which are not there: '.
                            json_encode(array_slice($lost, 0, 3), JSON_THROW_ON_ERROR),
                    );
                }
            });
        } finally {
            $connection->statement('PRAGMA foreign_keys = on');
        }
    }
}
