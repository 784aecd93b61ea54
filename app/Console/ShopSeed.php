<?php

declare(strict_types=1);

namespace App\Console;

use App\People\Models\User;
use Database\Seeders\DemoShop;
use Illuminate\Console\Command;

final class ShopSeed extends Command
{
    protected $signature = 'shop:seed {--if-empty : say nothing when the shop already has people}';

    protected $description = 'Add the demo shop, Hollow Oak Apiary Works, to an empty shop';

    public function handle(DemoShop $demo): int
    {
        if (User::query()->exists()) {
            if (! $this->option('if-empty')) {
                $this->error('This shop already has people: the demo goes into an empty shop only.');

                return self::FAILURE;
            }

            return self::SUCCESS;
        }
        $this->line('Pressing three months of history for the demo shop …');
        $demo();

        return self::SUCCESS;
    }
}
