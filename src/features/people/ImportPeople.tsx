'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { ImportCsv } from '@/ui/csv/ImportCsv';
import { addStudentsAction } from './actions';
import { STUDENT_COLUMNS, studentOfLine } from './csv';

/** Several students from a file; each is invited on their page. */
export function ImportPeople({ school }: { school: string }) {
  const [isOpen, setOpen] = useState(false);
  const router = useRouter();
  if (!isOpen)
    return (
      <Button onClick={() => setOpen(true)} sx={{ mt: 3, minHeight: 44 }}>
        Read several from a file
      </Button>
    );
  return (
    <ImportCsv
      one="student"
      columns={STUDENT_COLUMNS}
      readLine={(line) => studentOfLine(line, school)}
      onKeep={async (students) => {
        const problem = await addStudentsAction(students);
        if (!problem) router.push('/people');
        return problem;
      }}
      onClose={() => setOpen(false)}
    />
  );
}
