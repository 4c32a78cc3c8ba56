/** The first line of what a test said when it failed, without the colours of a terminal. */
function reasonOf(messages) {
  // eslint-disable-next-line no-control-regex
  return (messages?.[0] ?? '').replace(/\u001B\[[0-9;]*m/g, '').split('\n')[0];
}

/**
 * What failed in a run of the test runner, a line each: the file, the test, and why. A file that could not be loaded
 * has no tests of its own and is named itself; so is a test that the runner counts as failed though it has no reason.
 * @param report as the runner's JSON reporter writes it; an empty one has no failures
 */
export function failuresOf(report, root) {
  return (report.testResults ?? []).flatMap((file) => {
    const name = file.name.replace(root, '').replace(/^\//, '');
    const failed = (file.assertionResults ?? []).filter((t) => t.status === 'failed');
    if (failed.length > 0) return failed.map((t) => `${name}: ${t.fullName}: ${reasonOf(t.failureMessages)}`);
    return file.status === 'failed' ? [`${name}: ${reasonOf([file.message])}`] : [];
  });
}
