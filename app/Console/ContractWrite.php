<?php

declare(strict_types=1);

namespace App\Console;

use App\Support\Contract;
use Illuminate\Console\Command;

final class ContractWrite extends Command
{
    protected $signature = 'contract:write {file=storage/openapi.json}';

    protected $description = 'Write the OpenAPI contract to a file';

    public function handle(Contract $contract): int
    {
        $file = (string) $this->argument('file');
        $contract->write(str_starts_with($file, '/') ? $file : base_path($file));

        return self::SUCCESS;
    }
}
