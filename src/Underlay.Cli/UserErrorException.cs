namespace Underlay.Cli;

/// <summary>Something that the person at the keyboard can put right: told in one sentence, exit code 2.</summary>
internal sealed class UserErrorException(string sentence) : Exception(sentence);
